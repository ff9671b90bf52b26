/** What an instructor looks at before they begin. Common practice, no source. */
import { defaultSchool } from "../policy/school.ts";
import { lineUpCheck } from "./line-up.ts";

const check = (text: string) => lineUpCheck([{ text, title: "T", load: 1 }], defaultSchool());

test("always hands and hair; the rest by what is trained", () => {
  expect(check("A jab -> B slip out")).toMatch(/nails short, rings and watches off, hair tied.*the floor dry/);
  expect(check("A jab -> B slip out")).not.toMatch(/mouthguard|stick|blade|mats/);
  expect(check("A: wears gloves\nB: wears gloves\n\nA jab -> B slip out")).toMatch(/mouthguards in/);
  expect(check("A: holds stick 71 cm\nB: holds stick 71 cm\n\nA forehand high -> B block high")).toMatch(/splinters/);
  expect(check("A: holds training knife\n\nA thrust -> B step off")).toMatch(/blunt, and shown/);
  expect(check("mats: yes\n\nA double leg -> B sprawl")).toMatch(/mats close together and wiped/);
});
