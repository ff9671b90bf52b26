/** Pages drawn as SVG put into a PDF, with the fonts of the application. Loaded when it is asked for. */
import monoFont from "@expo-google-fonts/atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf?url";
import boldFont from "@expo-google-fonts/hanken-grotesk/700Bold/HankenGrotesk_700Bold.ttf?url";
import textFont from "@expo-google-fonts/hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf?url";
import headingFont from "@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf?url";
import { jsPDF } from "jspdf";
import "svg2pdf.js";
import { base64Of, plainCopy } from "./standalone.ts";

const FACES = [
  { family: "Hanken Grotesk Variable", weight: 400, url: textFont },
  { family: "Hanken Grotesk Variable", weight: 700, url: boldFont },
  { family: "Bricolage Grotesque Variable", weight: 700, url: headingFont },
  { family: "Atkinson Hyperlegible Mono Variable", weight: 400, url: monoFont },
] as const;

/** A PDF of A4 pages, one for each drawing. */
export async function pdfOf(pages: readonly SVGSVGElement[], title: string): Promise<Blob> {
  const pdf = new jsPDF({ unit: "mm", format: "a4", compress: true });
  pdf.setProperties({ title, creator: "Vicissor" });
  for (const [i, { family, weight, url }] of FACES.entries()) {
    pdf.addFileToVFS(`face${i}.ttf`, await base64Of(url));
    pdf.addFont(`face${i}.ttf`, family, "normal", weight);
  }
  const holder = document.createElement("div");
  holder.style.cssText = "position:absolute;left:-9999px;top:0";
  document.body.append(holder);
  try {
    for (const [i, page] of pages.entries()) {
      if (i > 0) pdf.addPage();
      const copy = plainCopy(page);
      holder.replaceChildren(copy);
      await pdf.svg(copy, { x: 0, y: 0, width: 210, height: 297 });
    }
  } finally {
    holder.remove();
  }
  return pdf.output("blob");
}
