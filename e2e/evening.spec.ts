/**
 * A whole evening at sixty times the speed on two devices: taps on both, somebody hurt, a late comer, the server and
 * the database killed in the middle of a round; at the end everything that was tapped is in the log.
 */
import { expect, test, type Page } from "@playwright/test";
import { fastServer } from "./fast-server.ts";
import { database, left, plannedClass, startNow } from "./helpers.ts";

const SPEED = 60;
/** Two devices show the same moment within a quarter of a second, and what the test itself takes to look. */
const SAME = SPEED * 1.5;
const button = (page: Page, name: string | RegExp) => page.getByRole("button", { name });

test("an evening at sixty times the speed, with a crash, a late comer and an injury @long", async ({
  page,
  browser,
}) => {
  test.skip(!process.env.DATABASE_URL, "only with a database that a second server can use");
  test.setTimeout(240_000);
  const path = await plannedClass(page, "At sixty times", "2027-04-07");
  const server = await fastServer(SPEED);
  await server.start();
  const contexts = await Promise.all([1, 2].map(() => browser.newContext({ baseURL: server.address })));
  for (const context of contexts) {
    context.setDefaultTimeout(15_000);
    await server.speedUp(context);
  }
  const [bench, wall] = (await Promise.all(contexts.map((context) => context.newPage()))) as [Page, Page];
  try {
    for (const device of [bench, wall]) {
      await device.goto(`${path}/floor`);
      await expect(device.getByText("All devices show the same")).toBeVisible();
    }
    const round = (n: number) => new RegExp(`^Round ${n} of`);
    /** On to the beginning of a round: talks are not waited for. */
    const until = async (n: number) => {
      while (!(await bench.getByText(new RegExp(`Round ${n} of`)).isVisible())) await button(bench, "Next").click();
      if (!(await bench.getByText(round(n)).isVisible())) await button(bench, "Next").click();
      await expect(bench.getByText(round(n))).toBeVisible();
    };
    const same = async () => expect(Math.abs((await left(bench)) - (await left(wall)))).toBeLessThanOrEqual(SAME);

    await test.step("both begin at one tap", async () => {
      await startNow(bench);
      await expect(button(wall, "Pause")).toBeVisible({ timeout: 2000 });
      await until(1);
      await expect(wall.getByText(round(1))).toBeVisible({ timeout: 2000 });
      await same();
      const hall = await contexts[1]!.newPage();
      await hall.goto(`${path}/wall`);
      await expect(hall.getByRole("heading", { name: /^Round 1 of/ })).toBeVisible();
      expect(Math.abs((await left(bench)) - (await left(hall)))).toBeLessThanOrEqual(2 * SAME);
      await button(bench, "ALL STOP").click();
      await expect(hall.getByRole("alertdialog", { name: "All stop" })).toBeVisible({ timeout: 2000 });
      await bench.getByRole("alertdialog").getByRole("button", { name: "Go on" }).click();
      await expect(hall.getByRole("alertdialog")).toHaveCount(0, { timeout: 2000 });
      await hall.close();
      await button(wall, /^Nothing amiss/).click();
      await expect(bench.getByText(/: nothing seen amiss ×$/)).toHaveCount(14);
    });
    await test.step("the server is killed in a round: the clock goes on, and taps of meanwhile arrive", async () => {
      await until(2);
      server.kill();
      await button(bench, "A minute more").click();
      await button(bench, "Pause").click();
      const stands = await left(bench);
      await bench.waitForTimeout(1000);
      expect(await left(bench)).toBe(stands);
      await server.start();
      await expect(wall.getByText("Paused")).toBeVisible({ timeout: 20_000 });
      await expect(bench.getByText("All devices show the same")).toBeVisible({ timeout: 20_000 });
      expect(await left(wall)).toBe(stands);
      await bench.reload();
      await expect(bench.getByText("Paused")).toBeVisible();
      expect(await left(bench)).toBe(stands);
      await button(wall, "Go on").click();
      await expect(button(bench, "Pause")).toBeVisible({ timeout: 5000 });
    });
    await test.step("the database is killed as well, where it is the test's own", async () => {
      if (!process.env.PG_DATA) return;
      await button(wall, "Pause").click();
      await expect(bench.getByText("Paused")).toBeVisible({ timeout: 5000 });
      database("crash");
      try {
        await button(bench, "Go on").click();
        await expect(button(bench, "Pause")).toBeVisible();
      } finally {
        database("start");
      }
      await expect(button(wall, "Pause")).toBeVisible({ timeout: 20_000 });
    });
    await test.step("somebody is hurt, somebody comes late: the rounds to come know both", async () => {
      await button(bench, "Injury").click();
      await button(bench, "Edda Vire").click();
      await button(bench, "Something else").click();
      await button(bench, "Done").click();
      await bench.getByRole("alertdialog").getByRole("button", { name: "Go on" }).click();
      await expect(bench.getByText("All devices show the same")).toBeVisible({ timeout: 20_000 });
      await button(bench, "Latecomer").click();
      await button(bench, "Odo Lachs").click();
      await expect(bench.getByRole("dialog")).toHaveCount(0, { timeout: 20_000 });
    });
    await test.step("the rest runs by itself to its end, on both", async () => {
      const clock = bench.getByText(/The class is over/);
      await expect(clock).toBeVisible({ timeout: 150_000 });
      await expect(wall.getByText(/The class is over/)).toBeVisible({ timeout: 5000 });
    });
    await test.step("what was run and seen is written down once", async () => {
      // Whoever looks next writes down what ended while nobody looked.
      await bench.reload();
      await expect(bench.getByText(/The class is over/)).toBeVisible();
      const news = await bench.evaluate(
        (live) =>
          new Promise<string>((found) => {
            const source = new EventSource(live);
            source.onmessage = ({ data }: MessageEvent<string>) => {
              source.close();
              found(data);
            };
          }),
        `${path}/floor/live?since=0`,
      );
      const { taps, marks } = JSON.parse(news) as {
        readonly taps: readonly { readonly id: string; readonly tap: { readonly kind: string } }[];
        readonly marks: readonly unknown[];
      };
      const times = (kind: string) => taps.filter(({ tap }) => tap.kind === kind).length;
      expect(new Set(taps.map(({ id }) => id)).size).toBe(taps.length);
      expect([times("start"), times("longer"), times("hurt")]).toEqual([1, 1, 1]);
      expect([times("pause"), times("go"), times("stop")]).toEqual(process.env.PG_DATA ? [2, 4, 2] : [1, 3, 2]);
      expect(marks).toHaveLength(14);
      await bench.goto(`${path}/plan`);
      await expect(bench.getByText(/lead in front; done/)).toBeVisible();
    });
  } finally {
    server.kill();
    await Promise.all(contexts.map((context) => context.close()));
  }
});
