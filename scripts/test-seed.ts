/** Before each file of unit tests: properties draw from the seed of the day, so that a run can be made again. */
import fc from "fast-check";
import { SEED } from "#core/base/samples-testing.ts";

fc.configureGlobal({ seed: SEED });
