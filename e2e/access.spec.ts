/** The ways in, as people meet them: password, passkey, invitation, a tablet's code, and out again. */
import { execFileSync } from "node:child_process";
import { expect, test, type Page } from "@playwright/test";
import { expectAccessible, expectNoSideScroll, faultsOf } from "./helpers.ts";

// Nobody is signed in here.
test.use({ storageState: { cookies: [], origins: [] } });

const TONIGHT = "/class/5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0000";

async function typeCredentials(page: Page, email: string, password: string): Promise<void> {
  await page.getByRole("textbox", { name: "E-mail" }).fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
}

test("who asks for a page signs in first and is there then; a wrong password says no more than that", async ({
  page,
}) => {
  const faults = faultsOf(page);
  await page.goto("/people");
  await expect(page).toHaveURL(/\/sign-in\?next=%2Fpeople/);
  await expectAccessible(page);
  await typeCredentials(page, "runa@ropewalk.example", "not the password");
  const said = page.getByRole("region", { name: "Sign in" }).getByRole("status");
  await expect(said).toHaveText("The address and the password do not belong together.");
  await typeCredentials(page, "nobody@ropewalk.example", "not the password");
  await expect(said).toHaveText("The address and the password do not belong together.");
  await typeCredentials(page, "Runa@Ropewalk.example", "rope and lantern");
  await expect(page).toHaveURL(/\/people$/);
  await expect(page.getByRole("link", { name: "Runa Feld" })).toBeVisible();
  // A refusal of the server is written to the console by the browser itself.
  expect(faults.filter((one) => !one.includes("401"))).toEqual([]);
});

test("a student sees their own page and no places of the instructors", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/sign-in");
  await expectNoSideScroll(page);
  await page.getByRole("button", { name: /Corvin Aske, student/ }).click();
  await expect(page).toHaveURL(/\/mine$/);
  await expect(page.getByRole("link", { name: "My page" })).toBeVisible();
  await expectAccessible(page);
  await expect(page.getByRole("list", { name: "To go on with" })).toContainText("The low line");
  await page.getByRole("link", { name: "What I trained" }).click();
  await expect(page.getByText("What Corvin Aske trained").first()).toBeVisible();
  await page.getByRole("link", { name: "Back" }).click();
  await expect(page.getByRole("link", { name: "People" })).toHaveCount(0);
  await page.goto("/people");
  await expect(page.getByRole("alert")).toContainText("This is not open to you");
  await page.getByRole("button", { name: "To where you begin" }).click();
  await expect(page).toHaveURL(/\/mine$/);
});

test("an assistant ticks who is here and goes on to the hall, and is shown no button that is not theirs", async ({
  page,
}) => {
  const faults = faultsOf(page);
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /Bent Sorge, assistant/ }).click();
  await expect(page.getByRole("heading", { name: "Drills", level: 1 })).toBeVisible();
  const acts = ["New drill", "Import a drill", /^(Star|Copy|Delete) /, "Hide"];
  for (const name of acts) await expect(page.getByRole("button", { name })).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole("link", { name: "Cover and return", exact: true }).click();
  await expect(page.getByText("it is kept on this device alone", { exact: false })).toBeVisible();
  await expect(page.getByRole("button", { name: "Save", exact: true })).toHaveCount(0);
  // What is tried at the desk goes to no server.
  const sent: string[] = [];
  page.on("request", (one) => one.method() === "POST" && sent.push(one.url()));
  await page.getByRole("button", { name: "Answer with cover" }).first().click();
  await page.keyboard.press("Control+s");
  await page.waitForTimeout(2500);
  expect(sent).toEqual([]);
  await page.goto("/term");
  for (const name of ["Add a class", "Next class", /^More: /])
    await expect(page.getByRole("button", { name })).toHaveCount(0);
  await page.getByRole("link", { name: "Tonight at the Ropewalk" }).last().click();
  const tick = page.getByRole("checkbox", { name: /Falk Tornau/ });
  await tick.uncheck();
  await expect(page.getByText(/12 of \d+ are here/)).toBeVisible();
  await tick.check();
  await expect(page.getByText(/13 of \d+ are here/)).toBeVisible();
  await expect(page.getByRole("button", { name: /Pair them|Everybody|Nobody|Delete the plan/ })).toHaveCount(0);
  await expectAccessible(page);
  expect(faults).toEqual([]);
});

test("the owner lets an assistant in, sees who changed what, and takes them out; their device is out at once", async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /Maren Holt, owner/ }).click();
  await expect(page).toHaveURL(/\/$/);
  await page.goto("/members");
  await page.getByRole("textbox", { name: "Their e-mail" }).fill("tomma@ropewalk.example");
  await page.getByRole("button", { name: "Invite" }).click();
  await expect(
    page.getByText("An invitation to tomma@ropewalk.example waits under Outgoing invitations."),
  ).toBeVisible();
  await expectAccessible(page);
  await page.goto("/members/post");
  const letter = page.getByRole("article").filter({ hasText: "tomma@ropewalk.example" }).first();
  // It says that nobody else opens it yet, and can be copied or scanned.
  await expect(letter.getByText(/opens only on the machine/)).toBeVisible();
  await expect(letter.getByRole("button", { name: "Copy the address" })).toBeVisible();
  await letter.getByText("Code for a phone").click();
  await expect(letter.getByRole("img", { name: /Code of the address/ })).toBeVisible();
  const address = /https?:\S+\/in\/\S+/.exec(await letter.innerText())![0];

  const context = await browser.newContext({ storageState: { cookies: [], origins: [] }, baseURL: baseURL! });
  const theirs = await context.newPage();
  await theirs.goto(new URL(address).pathname);
  await theirs.getByRole("textbox", { name: "Your name" }).fill("Tomma Reck");
  await theirs.getByLabel("Password").fill("password1234");
  await theirs.getByRole("button", { name: "Join" }).click();
  await expect(theirs.getByText(/on lists of stolen ones/)).toBeVisible();
  await theirs.getByLabel("Password").fill("seven slow feeds");
  await theirs.getByRole("button", { name: "Join" }).click();
  await expect(theirs.getByRole("link", { name: "Tomma Reck" })).toBeVisible();
  await expect(theirs.getByRole("link", { name: "People" })).toHaveCount(0);
  // The address is good once.
  await theirs.goto(new URL(address).pathname);
  await expect(theirs.getByText("This address is over")).toBeVisible();

  await page.goto("/members/changes");
  await expect(page.getByRole("region", { name: "Changes" })).toContainText("Members: invited");
  await page.goto("/members");
  await page.getByRole("button", { name: "Change Tomma Reck" }).click();
  await page.getByRole("button", { name: "Take out of the school" }).click();
  await expect(page.getByText("They do not belong to the school any more.")).toBeVisible();
  await theirs.goto("/class");
  await expect(theirs).toHaveURL(/\/sign-in/);
  await context.close();
});

test("a passkey is made on a device, signs in without a password, and is deleted", async ({ browser, baseURL }) => {
  // Passkeys belong to names, never to addresses in numbers.
  const named = baseURL!.replace("127.0.0.1", "localhost");
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] }, baseURL: named });
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send("WebAuthn.enable");
  await client.send("WebAuthn.addVirtualAuthenticator", {
    options: {
      protocol: "ctap2",
      transport: "internal",
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
    },
  });
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /Bent Sorge, assistant/ }).click();
  await page.getByRole("link", { name: "Bent Sorge" }).click();
  await page.getByRole("button", { name: "Make a passkey on this device" }).click();
  await expect(page.getByText("This device has a passkey now.")).toBeVisible();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page).toHaveURL(/\/sign-in/);
  // The whole page was loaded again: its buttons work once its program is there.
  await expect(async () => {
    // On a slow machine the sign-in of the try before may have come through by now.
    const inside = page.getByRole("link", { name: "Bent Sorge" });
    if (!(await inside.isVisible()))
      await page.getByRole("button", { name: "With a passkey" }).click({ timeout: 2000 });
    await expect(inside).toBeVisible({ timeout: 5000 });
  }).toPass({ timeout: 40_000 });
  await page.goto("/account");
  await page.getByRole("region", { name: "Passkeys" }).getByRole("button", { name: "Delete" }).click();
  await expect(page.getByText("The passkey is deleted.")).toBeVisible();
  await context.close();
});

test("a tablet in the hall comes in by a code that is good once", async ({ page, browser, baseURL }) => {
  await page.goto("/sign-in");
  await page.getByRole("button", { name: /Runa Feld, instructor/ }).click();
  await expect(page).toHaveURL(/\/$/);
  await page.goto(`${TONIGHT}/phones`);
  const part = page.getByRole("region", { name: "Hall tablet" });
  await part.getByRole("button", { name: "Make a code" }).click();
  const code = new URL((await part.getByRole("link").getAttribute("href"))!).pathname;
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] }, baseURL: baseURL! });
  const tablet = await context.newPage();
  await tablet.goto(code);
  // To look at the address uses nothing up: letters are opened by programs as well.
  await tablet.reload();
  await expectAccessible(tablet);
  await tablet.getByRole("button", { name: "Use this tablet" }).click();
  await expect(tablet).toHaveURL(new RegExp(`${TONIGHT}/floor$`));
  await tablet.goto(`${TONIGHT}/plan`);
  await expect(tablet.getByRole("alert")).toContainText("This is not open to you");
  await tablet.goto(code);
  await expect(tablet.getByText("This address is over")).toBeVisible();
  await context.close();
});

test("the address that the terminal says makes a school of one's own, with nothing in it", async ({
  page,
  baseURL,
}) => {
  const address = execFileSync("bin/tool", ["way-in", baseURL!, "--own"], { encoding: "utf8" }).trim();
  test.skip(!(await page.goto(address))!.url().includes("/in/"), "a school of one's own is there already");
  await page.getByRole("textbox", { name: "Name of the school" }).fill("Weir Street Hall");
  await page.getByRole("textbox", { name: "Your name" }).fill("Ode Brandt");
  await page.getByRole("textbox", { name: "Your e-mail" }).fill(`ode${Date.now()}@weir.example`);
  await page.getByLabel("Password").fill("weir street hall");
  await page.getByRole("button", { name: "Make the school" }).click();
  await expect(page.getByText(/little more than your name/)).toBeVisible();
  await page.getByLabel("Password").fill("under three bridges");
  await page.getByRole("button", { name: "Make the school" }).click();
  await expect(page.getByRole("link", { name: "Ode Brandt" })).toBeVisible();
  await expect(page.getByText("Weir Street Hall")).toBeVisible();
  await page.goto("/people");
  await expect(page.getByText("Anselm")).toHaveCount(0);
});
