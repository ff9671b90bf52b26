/** Waits up to 20 s until an address answers without a fault: wait-for.mjs URL */
const url = process.argv[2];
const until = Date.now() + 20_000;
let last = "";
while (Date.now() < until) {
  try {
    const response = await fetch(url);
    if (response.ok) process.exit(0);
    last = `it answers ${response.status}`;
  } catch (error) {
    last = error.cause?.code ?? error.message;
  }
  await new Promise((go) => setTimeout(go, 200));
}
console.error(`${url} does not answer: ${last}`);
process.exit(1);
