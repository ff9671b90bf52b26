/**
 * The settings of the environment that the server reads, in one schema: what is wrong is said in words before anybody is
 * served. The table in docs/architecture.md says the same for who sets them. `DATABASE_URL` is read where the database is.
 */
import { number, object, string, ValidationError, type InferType } from "yup";

const port = (name: string) =>
  number()
    .typeError(`${name} is a port, a whole number such as 4173: it is “\${originalValue}”.`)
    .integer(`${name} is a whole number.`)
    .min(1, `${name} is a port from 1 to 65535.`)
    .max(65_535, `${name} is a port from 1 to 65535.`);

const schema = object({
  PORT: port("PORT"),
  LAN_PORT: port("LAN_PORT"),
  /** Under which address others of the network come in; there only with `bin/start --lan`. */
  LAN_ORIGIN: string().url("LAN_ORIGIN is an address such as https://hall.local:4443."),
  ALLOWED_HOSTS: string(),
  TRUST_PROXY: number()
    .typeError(
      "TRUST_PROXY is how many proxies of your own stand before the server, such as 1: it is “${originalValue}”.",
    )
    .integer("TRUST_PROXY is a whole number.")
    .min(0, "TRUST_PROXY is 0 or more."),
  /** Longest check on the server, ms. */
  CHECK_TIME_LIMIT: number()
    .typeError("CHECK_TIME_LIMIT is a time in milliseconds, such as 10000: it is “${originalValue}”.")
    .min(1, "CHECK_TIME_LIMIT is 1 ms or more.")
    .default(10_000),
  /** The thread in which checks run; another one in tests. */
  CHECK_THREAD: string().default("build/server/check-thread.mjs"),
  SMTP_URL: string(),
  MAIL_FROM: string(),
  VICISSOR_BACKUPS: string().default(".data/backups"),
  VICISSOR_ERASED: string(),
  VICISSOR_KEY: string().default(".data/letters.key"),
});
type Env = InferType<typeof schema>;

/** Returns the settings of an environment; an empty one is as if it were not set. Throws one error that names all that is wrong. */
export function readEnv(from: Readonly<Record<string, string | undefined>>): Env {
  const set = Object.fromEntries(Object.entries(from).filter(([name, value]) => name in schema.fields && value !== ""));
  try {
    return schema.validateSync(set, { abortEarly: false });
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    throw new Error(`The settings of the environment are wrong. ${error.errors.join(" ")}`, { cause: error });
  }
}

let read: Env | null = null;

/** The settings of this process, read once. */
export const env = (): Env => (read ??= readEnv(process.env));

/** For tests that set a variable: it is read again. */
export const readEnvAgain = (): void => {
  read = null;
};
