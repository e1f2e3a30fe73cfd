import { strToU8, zipSync } from 'fflate';
import { pagesAsSvg } from './page-svg.ts';

const save = (blob: Blob, name: string): void => {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
};

/** Hands the pages of a lesson sheet over as SVG: one file, or an archive of one for each page. */
export const downloadAsSvg = async (
  paper: HTMLElement,
  size: { readonly width: number; readonly height: number },
  title: string,
): Promise<void> => {
  const pages = await pagesAsSvg(paper, size);
  const name = title.replaceAll(/[^\p{L}\p{N} _-]/gu, '') || 'lesson';
  if (pages.length === 1) save(new Blob([pages[0]!], { type: 'image/svg+xml' }), `${name}.svg`);
  else {
    const files = Object.fromEntries(pages.map((page, index) => [`${name} ${index + 1}.svg`, strToU8(page)]));
    save(new Blob([zipSync(files)], { type: 'application/zip' }), `${name}, pages.zip`);
  }
};
