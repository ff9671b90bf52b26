/** Asks the device for its passkey, between two posts: what is to be signed, and what was. */
import { startAuthentication, startRegistration } from "@simplewebauthn/browser";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import type { action as accountAction } from "../routes/account.tsx";
import type { action as signInAction } from "../routes/sign-in.tsx";

const NOT_GIVEN = "The device gave no passkey. Try again, or use the password.";

/** `more`: fields that go along with the answer. */
export function usePasskey(more: Readonly<Record<string, string>> = {}) {
  const fetcher = useFetcher<typeof signInAction>();
  const [trouble, setTrouble] = useState("");
  const answered = useRef("");
  const { data, submit } = fetcher;
  useEffect(() => {
    if (!data || !("kind" in data) || data.kind !== "asked" || answered.current === data.challengeId) return;
    answered.current = data.challengeId;
    startAuthentication({ optionsJSON: data.options })
      .then((answer) =>
        submit(
          { ...more, intent: "passkey", challenge: data.challengeId, answer: JSON.stringify(answer) },
          { method: "post" },
        ),
      )
      .catch(() => setTrouble(NOT_GIVEN));
  }, [data, submit, more]);
  return {
    busy: fetcher.state !== "idle",
    said: trouble ? { kind: "failed", message: trouble } : data,
    start: () => {
      setTrouble("");
      void submit({ intent: "passkey-ask" }, { method: "post" });
    },
  };
}

/** The same where a passkey is made. */
export function useNewPasskey() {
  const fetcher = useFetcher<typeof accountAction>();
  const [trouble, setTrouble] = useState("");
  const answered = useRef("");
  const { data, submit } = fetcher;
  useEffect(() => {
    if (!data || !("kind" in data) || data.kind !== "asked" || answered.current === data.challengeId) return;
    answered.current = data.challengeId;
    startRegistration({ optionsJSON: data.options })
      .then((answer) =>
        submit(
          { intent: "passkey-add", challenge: data.challengeId, answer: JSON.stringify(answer) },
          { method: "post" },
        ),
      )
      .catch(() => setTrouble("The device made no passkey. It may have one already, or it was stopped."));
  }, [data, submit]);
  return {
    busy: fetcher.state !== "idle",
    said: trouble ? { kind: "failed", message: trouble } : data,
    start: () => {
      setTrouble("");
      void submit({ intent: "passkey-ask" }, { method: "post" });
    },
  };
}
