/** Asks the device for its passkey, between two posts: what is to be signed, and what was. */
import {
  startAuthentication,
  startRegistration,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
} from "@simplewebauthn/browser";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";

interface Asked<Options> {
  readonly kind: "asked";
  readonly challengeId: string;
  readonly options: Options;
}
type Answered<Options> = Asked<Options> | { readonly kind: string; readonly message?: string };

const isAsked = <Options>(data: Answered<Options> | undefined): data is Asked<Options> => data?.kind === "asked";

interface Way<Options> {
  /** What the device does with what it is asked. */
  readonly start: (options: Options) => Promise<object>;
  /** The intent that its answer is posted with. */
  readonly intent: string;
  /** What is said when the device gives none. */
  readonly none: string;
}

const SIGN_IN: Way<PublicKeyCredentialRequestOptionsJSON> = {
  start: (optionsJSON) => startAuthentication({ optionsJSON }),
  intent: "passkey",
  none: "The device gave no passkey. Try again, or use the password.",
};
const NEW: Way<PublicKeyCredentialCreationOptionsJSON> = {
  start: (optionsJSON) => startRegistration({ optionsJSON }),
  intent: "passkey-add",
  none: "The device made no passkey. It may have one already, or it was stopped.",
};
const NOTHING: Readonly<Record<string, string>> = {};

/** `more`: fields that go along with the answer. */
function useWay<Options>({ start, intent, none }: Way<Options>, more: Readonly<Record<string, string>>) {
  const { data, submit, state } = useFetcher<Answered<Options>>();
  const [trouble, setTrouble] = useState("");
  const answered = useRef("");
  useEffect(() => {
    const asked = data as Answered<Options> | undefined;
    if (!isAsked(asked) || answered.current === asked.challengeId) return;
    answered.current = asked.challengeId;
    start(asked.options)
      .then((answer) =>
        submit({ ...more, intent, challenge: asked.challengeId, answer: JSON.stringify(answer) }, { method: "post" }),
      )
      .catch(() => setTrouble(none));
  }, [data, submit, start, intent, none, more]);
  return {
    busy: state !== "idle",
    said: trouble ? { kind: "failed", message: trouble } : data,
    start: () => {
      setTrouble("");
      void submit({ intent: "passkey-ask" }, { method: "post" });
    },
  };
}

/** Signs in with the passkey of the device. */
export const usePasskey = (more = NOTHING) => useWay(SIGN_IN, more);
/** Makes one on the device. */
export const useNewPasskey = () => useWay(NEW, NOTHING);
