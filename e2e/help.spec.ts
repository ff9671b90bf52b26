/** The help: from any screen by key, with samples that become drills; what was deleted comes back from where one stands. */
import { expect, test } from "@playwright/test";
import { editorText, expectAccessible, freshDrill, fromMenu, typeAtEnd } from "./helpers.ts";

test("a question mark opens the help, and a sample becomes a drill", async ({ page }) => {
  await page.goto("/people");
  await page.locator("main").click({ position: { x: 5, y: 5 } });
  await page.keyboard.press("?");
  await expect(page.getByRole("heading", { name: "How to write a drill" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Open as a drill: One row: who does what" }).click();
  await expect.poll(() => editorText(page)).toContain("A jab -> B slip out, cross");
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
});

test("a deleted drill comes back by the button that has the focus, and from the list of deleted ones", async ({
  page,
}) => {
  await freshDrill(page, "title: To and fro\n\nA jab -> B catch\n");
  await page.goto("/?q=to+and+fro");
  await page.getByRole("button", { name: "Delete To and fro" }).click();
  await expect(page.getByText("“To and fro” is deleted.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("link", { name: "To and fro" })).toBeVisible();
  await page.getByRole("button", { name: "Delete To and fro" }).click();
  await expect(page.getByRole("link", { name: "To and fro" })).toHaveCount(0);
  await page.goto("/");
  await page.getByRole("link", { name: /deleted$/ }).click();
  await page.getByRole("button", { name: "Restore To and fro" }).click();
  await expect(page.getByRole("button", { name: "Restore To and fro" })).toHaveCount(0);
  await expectAccessible(page);
  await page.goto("/?q=to+and+fro");
  await expect(page.getByRole("link", { name: "To and fro" })).toBeVisible();
});

test("a class made by mistake is deleted, and brought back", async ({ page }) => {
  await page.goto("/term");
  await page.getByRole("button", { name: "Add a class" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox", { name: "Name" }).fill("Made by mistake");
  await dialog.getByLabel("Day").fill("2027-02-03");
  await dialog.getByRole("button", { name: "Save" }).click();
  const row = page.getByRole("link", { name: "Made by mistake" });
  await expect(row).toBeVisible();
  await fromMenu(page, "Delete", "Made by mistake, 3 Feb");
  await expect(row).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row).toBeVisible();
  await fromMenu(page, "Delete", "Made by mistake, 3 Feb");
  await expect(row).toHaveCount(0);
});

test("the builder goes on from the row that waits for its answer", async ({ page }) => {
  await freshDrill(page, "title: Half a row\n\nA jab -> B \n");
  await page.getByRole("button", { name: "Add a row" }).click();
  const builder = page.getByRole("region", { name: "Add a row" });
  await expect(builder.getByRole("heading", { name: "answers the jab with" })).toBeVisible();
  await builder.getByRole("list", { name: "Answers that work" }).getByRole("button").first().click();
  await builder.getByRole("button", { name: "Add the row" }).click();
  await expect.poll(() => editorText(page)).toMatch(/A jab -> B catch\n?$/);
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
});

test("who goes to another place is told where they are, and the focus is there", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: "People" }).click();
  await expect(page.getByRole("heading", { level: 1, name: "People" })).toBeVisible();
  await expect(page.getByRole("main")).toBeFocused();
  await expect(page.getByRole("main").getByRole("status").first()).toHaveText("People · Vicissor");
});

test("the verdict is said aloud when it changes", async ({ page }) => {
  await freshDrill(page, "title: Said aloud\n\nA jab -> B slip out\n");
  const said = page.getByRole("region", { name: "Findings" }).getByRole("status").first();
  await expect(said).toHaveText("The drill is sound: 0 errors, 0 risks.");
  await typeAtEnd(page, "A lead hook -> B slip out\n");
  await expect(said).toHaveText(/The drill is broken: 1 error, \d risks?\./);
});
