import { check } from "#core/check/check.ts";
import { parse } from "#core/score/parse.ts";
import { defaultSchool } from "#core/school/school.ts";
import { vary } from "#core/vary/vary.ts";
import { makeLadder, LADDER_DEFAULTS } from "#core/vary/ladder.ts";
const FEEDS = ["jab","cross","lead hook","rear hook"];
const R=["cross", "jab", "lead hook"];
const twelve = Array.from({ length: 12 },(_, i) =>`A ${FEEDS[i % 4]} -> B ${["slip out", "parry", "cover", "weave"][i % 4]}${i < 4 ? "" : `, ${R[i % 3]}`}`).join("\n");
const b=check(parse(twelve));
for (let k=0;k<15;k++){const t=performance.now(); const v=vary(b,defaultSchool()); console.log(v.good.length, v.broken.length, performance.now()-t);}
if(process.argv[2]) for (let k=0;k<6;k++){const t=performance.now(); const w=makeLadder(b,defaultSchool(),LADDER_DEFAULTS); while(!w.next().done); console.log(performance.now()-t);}
