/** Typed text that is not saved yet, kept on this device by drill. */
const key = (id: string): string => `vicissor.draft.${id}`;

export function keepDraft(id: string, text: string): void {
  try {
    localStorage.setItem(key(id), text);
  } catch {
    // A full or forbidden store: saving to the school still works.
  }
}

export function readDraft(id: string): string | null {
  try {
    return localStorage.getItem(key(id));
  } catch {
    return null;
  }
}

export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // Nothing was kept there.
  }
}
