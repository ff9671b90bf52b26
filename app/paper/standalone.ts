/** A drawing of the page as a file of its own: colours as they are now, fonts within. Browser only. */
import textFont from "@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal.woff2?url";
import headingFont from "@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url";

const PAINTS = ["fill", "stroke"] as const;
/** What only a page needs. */
const OF_A_PAGE = ["tabindex", "data-crossing", "role", "style"];

/** A copy of the drawing with every colour as a plain value. */
export function plainCopy(svg: SVGSVGElement): SVGSVGElement {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const before = [svg, ...svg.querySelectorAll("*")];
  const after = [copy, ...copy.querySelectorAll("*")];
  after.forEach((element, i) => {
    const style = getComputedStyle(before[i]!);
    for (const paint of PAINTS)
      if (element.getAttribute(paint)?.includes("var(")) element.setAttribute(paint, style[paint]);
    for (const name of OF_A_PAGE) element.removeAttribute(name);
  });
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  return copy;
}

/** A file of the application, such as a font, in base64. */
export async function base64Of(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let binary = "";
  for (const byte of bytes) binary += String.fromCharCode(byte);
  return btoa(binary);
}

async function fontFace(family: string, url: string): Promise<string> {
  return `@font-face{font-family:"${family}";font-weight:200 800;src:url(data:font/woff2;base64,${await base64Of(url)}) format("woff2")}`;
}

/** The drawing as the text of an SVG file. */
export async function svgFile(svg: SVGSVGElement): Promise<string> {
  const copy = plainCopy(svg);
  const faces = await Promise.all([
    fontFace("Hanken Grotesk Variable", textFont),
    fontFace("Bricolage Grotesque Variable", headingFont),
  ]);
  const style = document.createElementNS("http://www.w3.org/2000/svg", "style");
  style.textContent = faces.join("");
  copy.insertBefore(style, copy.firstChild);
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(copy)}\n`;
}

/** Dots of a picture for one unit of the drawing, and the most dots on a side that browsers draw. */
const SHARP = 2;
const MOST = 12_000;

/** The drawing as a PNG picture. */
export async function pngFile(svg: SVGSVGElement): Promise<Blob> {
  const { width, height } = svg.viewBox.baseVal;
  const scale = Math.min(SHARP, MOST / width, MOST / height);
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(await svgFile(svg))}`;
  await picture.decode();
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error("The picture is too large to draw."))),
      "image/png",
    ),
  );
}
