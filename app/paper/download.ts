/** Hands a file to the browser's downloads. */
export function download(name: string, content: Blob | string, type = "text/plain;charset=utf-8"): void {
  const url = URL.createObjectURL(typeof content === "string" ? new Blob([content], { type }) : content);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
