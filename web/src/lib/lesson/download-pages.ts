import { strToU8, zipSync } from 'fflate';
import { fileNameOf, saveFile } from '../save-file.ts';
import { pagesAsSvg } from './page-svg.ts';

/** Hands the pages of a lesson sheet over as SVG: one file, or an archive of one for each page. */
export const downloadAsSvg = async (
  paper: HTMLElement,
  size: { readonly width: number; readonly height: number },
  title: string,
): Promise<void> => {
  const pages = await pagesAsSvg(paper, size);
  const name = fileNameOf(title, 'lesson');
  if (pages.length === 1) saveFile(new Blob([pages[0]!], { type: 'image/svg+xml' }), `${name}.svg`);
  else {
    const files = Object.fromEntries(pages.map((page, index) => [`${name} ${index + 1}.svg`, strToU8(page)]));
    saveFile(new Blob([zipSync(files)], { type: 'application/zip' }), `${name}, pages.zip`);
  }
};
