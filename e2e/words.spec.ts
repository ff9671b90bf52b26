import { expect, test } from "@playwright/test";
import { expectAccessible, freshDrill } from "./helpers.ts";

test("a move is found by the name of any tradition and says what it does", async ({ page }) => {
  await page.goto("/moves");
  await page.getByRole("textbox", { name: "Search" }).fill("pak sao");
  const list = page.getByRole("navigation", { name: "Moves" });
  await expect(list.getByRole("link")).toHaveCount(1);
  await list.getByRole("link").click();
  const move = page.getByRole("region", { name: "The move" });
  await expect(move.getByRole("heading", { name: "slap parry" })).toBeVisible();
  await expect(move).toContainText("Short, across, on the wrist.");
  await expect(move).toContainText("hand pushes it inward");
  await expect(move.getByRole("img", { name: /as A sees them/ })).toBeVisible();
  await expect(move.getByRole("region", { name: "As an answer" }).getByRole("listitem").first()).toContainText("jab");
  await expectAccessible(page);
  await page.getByRole("textbox", { name: "Search" }).fill("zzzz");
  await expect(page.getByText("No move has a name like this")).toBeVisible();
});

test("a school's own move: tried while it is written, saved, used in a drill, taken out", async ({ page }) => {
  await page.goto("/moves/new?like=slip");
  await expect(page.getByText("it needs an English name")).toBeVisible();
  await expectAccessible(page);
  const preview = page.getByRole("complementary", { name: "What it would do" });
  const line = (text: string) => preview.getByRole("listitem").filter({ hasText: text }).first();
  await expect(line("jab (").getByRole("img", { name: "sound" })).toBeVisible();
  // Two centimetres take nobody off the line.
  await page.getByRole("spinbutton", { name: "Aside, m, head" }).fill("0.02");
  await expect(line("jab (").getByRole("img", { name: "broken" })).toBeVisible();
  await page.getByRole("spinbutton", { name: "Aside, m, head" }).fill("0.19");
  await page.getByRole("textbox", { name: /English/ }).fill("reed bend");
  await page.getByRole("textbox", { name: /Coaching/ }).fill("From the hips.");
  await expect(preview.getByText(/coaching/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Save the move" })).toBeDisabled();
  await page.getByRole("textbox", { name: /Coaching/ }).fill("From the hips.\nEyes on them.");
  await page.getByRole("button", { name: "Save the move" }).click();
  const move = page.getByRole("region", { name: "The move" });
  await expect(move.getByRole("heading", { name: "reed bend" })).toBeVisible();
  await expect(move).toContainText("this school’s own move");
  await freshDrill(page, "title: Reeds\n\nA jab -> B reed bend out, cross\n");
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  await page.goto("/moves?move=own-reed-bend");
  await move.getByRole("link", { name: "Edit" }).click();
  await page.getByRole("textbox", { name: /Filipino/ }).fill("tambo");
  await page.getByRole("button", { name: "Save the move" }).click();
  await expect(move).toContainText("tambo");
  const count = page.getByText(/^\d+ moves/);
  const before = Number(/\d+/.exec((await count.first().textContent()) ?? "")![0]);
  // Said at once, kept a moment later: the page is left when it is kept.
  const kept = page.waitForResponse(
    (response) => /settings/.test(response.url()) && response.request().method() === "POST",
  );
  await move.getByRole("button", { name: "Delete" }).click();
  await expect(page.getByText(`${before - 1} moves`)).toBeVisible();
  expect((await kept).ok()).toBe(true);
  // The list of drills follows: what used it cannot be read any more.
  await expect(async () => {
    await page.goto("/?q=reeds&verdict=broken");
    await expect(page.getByRole("link", { name: "Reeds" })).toBeVisible({ timeout: 3000 });
  }).toPass({ timeout: 120_000 });
});

test(
  "a numbering set of the school's own is made on the face by keyboard and used",
  { tag: "@day0" },
  async ({ page }) => {
    await page.goto("/settings/numbering");
    await expect(page.getByRole("group", { name: /Twelve angles on a clock face/ })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole("combobox", { name: "Set" }).click();
    await page.getByRole("option", { name: "Five angles" }).click();
    await page.getByRole("button", { name: "Our own version of it" }).click();
    await page.getByRole("textbox", { name: "Name of the set" }).fill("Harbour five");
    await page.getByRole("list", { name: "The numbers" }).getByRole("button", { name: "1", exact: true }).click();
    await page.getByRole("button", { name: /Put 1 here: round, high, to the right/ }).focus();
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: /Put 2 here: overhead/ }).click();
    await expectAccessible(page);
    await page.getByRole("button", { name: "Save the set" }).click();
    await page.getByRole("button", { name: "Use this one" }).click();
    await expect(page.getByRole("button", { name: "In use" })).toBeVisible();
    await freshDrill(
      page,
      "title: Harbour\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike 2 -> B roof block\n",
    );
    await expect(page.getByRole("button", { name: /B roof block: sound/ })).toBeVisible();
    await page.goto("/settings/numbering");
    await page.getByRole("button", { name: "Take away" }).click();
    await expect(page.getByRole("group", { name: /Twelve angles on a clock face/ })).toBeVisible();
    await page.getByLabel("A numbering set as a file").setInputFiles({
      name: "half.json",
      mimeType: "application/json",
      buffer: Buffer.from('{"id": "half", "name": "Half", "angles": [{"line": "arc"}]}'),
    });
    await expect(page.getByRole("alert")).toContainText("half.json");
  },
);

test("how the school does it: what changes is said before it is saved, and holds everywhere after", async ({
  page,
}) => {
  await freshDrill(page, "title: Inside\n\nA jab -> B slip in\n");
  await expect(page.getByText("risky", { exact: true }).first()).toBeVisible();
  await page.goto("/settings");
  await expectAccessible(page);
  await page.getByRole("button", { name: "Forbidden" }).click();
  const aside = page.getByRole("complementary", { name: "What changes in the drills" });
  await expect(aside.getByRole("link", { name: "Inside" })).toBeVisible();
  await page.getByRole("button", { name: "Cantonese", exact: true }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
  await page.goto("/?q=inside&verdict=broken");
  await expect(page.getByRole("link", { name: "Inside", exact: true })).toBeVisible();
  await page.goto("/moves?q=slap");
  await expect(page.getByRole("navigation", { name: "Moves" }).getByRole("link", { name: /^pak sao/ })).toBeVisible();
  await page.goto("/settings");
  await page.getByRole("button", { name: "A risk", exact: true }).click();
  await page.getByRole("button", { name: "English", exact: true }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
});

test(
  "what is taught first: the school's own order is what the desk offers first",
  { tag: "@day2" },
  async ({ page }) => {
    await page.goto("/settings/taught");
    await expectAccessible(page);
    const list = page.getByRole("list", { name: "What is taught, first to last" });
    await expect(list.getByRole("listitem").first()).toContainText("catch");
    await page.getByRole("combobox", { name: "Teach another answer" }).fill("fade");
    await page.getByRole("option", { name: "fade" }).click();
    for (let place = 6; place > 0; place--) await list.getByRole("button", { name: "fade: earlier" }).click();
    await expect(list.getByRole("listitem").first()).toContainText("fade");
    await expect(page.getByText("Our own order.")).toBeVisible();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
    await freshDrill(page, "title: Fades\n\nA jab -> B slip out\n");
    await page.getByRole("button", { name: /A jab, answered by B slip out/ }).click();
    await page.getByRole("button", { name: "Other answers" }).click();
    await expect(page.getByRole("list", { name: "Answers that work" }).getByRole("listitem").first()).toContainText(
      "fade",
    );
    await page.goto("/settings/taught");
    await page.getByRole("button", { name: "Back to the usual order" }).click();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
  },
);

test("two people set the school at once: the second is told, nothing is written over", async ({ browser }) => {
  const [one, two] = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()));
  for (const page of [one!, two!]) await page.goto("/settings");
  await one!.getByRole("button", { name: "Flat" }).click();
  await one!.getByRole("button", { name: "Save", exact: true }).click();
  await expect(one!.getByRole("button", { name: "Saved" })).toBeVisible();
  await two!.getByRole("button", { name: "The one of the same name" }).click();
  await two!.getByRole("button", { name: "Save", exact: true }).click();
  await expect(two!.getByRole("alert")).toContainText("Somebody else changed the school’s settings");
  await expect(two!.getByRole("button", { name: "Flat" })).toHaveAttribute("aria-pressed", "true");
  await two!.getByRole("button", { name: "Upright" }).click();
  await two!.getByRole("button", { name: "Save", exact: true }).click();
  await expect(two!.getByRole("button", { name: "Saved" })).toBeVisible();
  for (const page of [one!, two!]) await page.context().close();
});
