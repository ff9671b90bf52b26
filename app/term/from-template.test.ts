import { beginsWith } from "./from-template.ts";

const tuesday = {
  ...{ id: "t", name: "My Tuesday", title: "Tuesday", theme: "Jab" },
  ...{ weekday: 2, starts_at: "18:30:00", minutes: 75 },
};

// 1 December 2026 is a Tuesday (any calendar).
test.each([
  ["2026-12-01", "2026-12-01"],
  ["2026-12-02", "2026-12-08"],
  ["2026-12-06", "2026-12-08"],
  ["2026-12-07", "2026-12-08"],
])("from %s on the next Tuesday is %s", (today, day) => {
  expect(beginsWith(tuesday, today).held_on).toBe(day);
});

test("a Sunday is a Sunday", () => {
  expect(beginsWith({ ...tuesday, weekday: 7 }, "2026-12-01").held_on).toBe("2026-12-06");
});

test("name, theme, time and minutes come with it", () => {
  expect(beginsWith(tuesday, "2026-12-01")).toMatchObject({
    title: "Tuesday",
    starts_at: "18:30",
    minutes: 75,
    theme: "Jab",
  });
});
