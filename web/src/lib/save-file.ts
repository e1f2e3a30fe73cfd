/** How long the browser may take to fetch what is saved, in ms. */
const KEPT = 10_000;

/** Hands a file over to whoever looks at the page. */
export const saveFile = (content: Blob, name: string): void => {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT);
};

/** A title as the name of a file, without what a file system might not take; `otherwise` when nothing is left of it. */
export const fileNameOf = (title: string, otherwise = 'piece'): string =>
  title.replaceAll(/[^\p{L}\p{N} _-]/gu, '') || otherwise;
