/**
 * A made-up set of pads with sensors, for trying out reaction times without any: it hears calls over a web socket and
 * hits pads as a student of so much skill would. The protocol is written down in docs/pads.md.
 */
import { parseArgs } from "node:util";
import { WebSocketServer } from "ws";

const { values } = parseArgs({
  options: {
    port: { type: "string", default: "4396" },
    reaction: { type: "string", default: "380" },
    noise: { type: "string", default: "60" },
    miss: { type: "string", default: "0.05" },
    wrong: { type: "string", default: "0.05" },
    seed: { type: "string", default: "1" },
    help: { type: "boolean", default: false },
  },
});
if (values.help) {
  console.log(`bin/pads [--reaction MS] [--noise MS] [--miss SHARE] [--wrong SHARE] [--port N] [--seed N]
A made-up set of pads at ws://127.0.0.1:PORT. A good student: --reaction 300 --noise 30 --miss 0 --wrong 0.
Somebody new: --reaction 550 --noise 150 --miss 0.2 --wrong 0.2.`);
  process.exit(0);
}
const number = (name, least, most) => {
  const value = Number(values[name]);
  if (Number.isFinite(value) && value >= least && value <= most) return value;
  console.error(`--${name} must be a number from ${least} to ${most}; it is “${values[name]}”.`);
  process.exit(2);
};
const port = number("port", 1, 65_535);
const student = {
  reaction: number("reaction", 0, 5000),
  noise: number("noise", 0, 2000),
  miss: number("miss", 0, 1),
  wrong: number("wrong", 0, 1),
};
let state = number("seed", 0, 2 ** 31);
/** From 0 to 1; the same seed gives the same student (Numerical Recipes, a linear congruential generator). */
const random = () => (state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32) / 2 ** 32;
/** About normal, mean 0 and deviation 1: the sum of twelve. */
const normal = () => Array.from({ length: 12 }, random).reduce((sum, one) => sum + one, -6);

const MOST_BYTES = 4096;
const server = new WebSocketServer({ host: "127.0.0.1", port, maxPayload: MOST_BYTES });
server.on("listening", () => console.log(`Pads are ready: ws://127.0.0.1:${port}`));
server.on("error", (error) => {
  console.error(
    error.code === "EADDRINUSE" ? `Port ${port} is in use; choose another: --port ${port + 1}` : error.message,
  );
  process.exit(1);
});
server.on("connection", (socket) => {
  let pads = ["1", "2", "3", "4"];
  const send = (message) => socket.readyState === socket.OPEN && socket.send(JSON.stringify(message));
  const hello = () => send({ kind: "hello", protocol: "vicissor-pads/1", name: "Made-up pads", pads });
  hello();
  socket.on("message", (data) => {
    let said;
    try {
      said = JSON.parse(String(data));
    } catch {
      return;
    }
    // Made-up pads are whatever is called.
    if (said?.kind === "labels" && Array.isArray(said.labels) && said.labels.length > 0) {
      pads = said.labels.slice(0, 32).map(String);
      hello();
    }
    if (said?.kind !== "call" || random() < student.miss) return;
    const others = pads.filter((pad) => pad !== said.label);
    const isWrong = others.length > 0 && random() < student.wrong;
    const pad = isWrong ? others[Math.floor(random() * others.length)] : String(said.label);
    const after = Math.max(120, student.reaction + student.noise * normal());
    setTimeout(() => send({ kind: "hit", pad, force: Math.min(1, 0.4 + 0.5 * random()), age: 0 }), after);
  });
});
