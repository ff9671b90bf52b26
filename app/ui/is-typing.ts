/** True where a key belongs to what somebody is typing, and is no command of the page. */
export const isTyping = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.closest("input, textarea, [contenteditable=true]") !== null;
