/**
 * Before each file of unit tests: properties draw from the seed of the day, so that a run can be made again. A machine
 * with other work as well is slow, not wrong: a test waits longer for a connection than a request does.
 */
import fc from "fast-check";
import { SEED } from "#core/base/samples-testing.ts";

fc.configureGlobal({ seed: SEED });
process.env.DATABASE_WAIT_SECONDS ??= "30";
