import { fileName, type BuildDocument } from '@apple-cart/core';

/** Hands a blob or data address to the browser as a download. */
export function downloadUrl(name: string, url: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
}

/** Hands text to the browser as a file. */
export function downloadText(name: string, text: string, type: string): void {
  downloadBlob(name, new Blob([text], { type }));
}

/** Hands a blob to the browser as a file. */
export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  downloadUrl(name, url);
  // The download has its own copy once begun; the address is let go a little later.
  setTimeout(() => {
    URL.revokeObjectURL(url);
  }, 10_000);
}

/** Hands a build to the browser as its JSON file. */
export const downloadBuild = (build: BuildDocument): void => {
  downloadText(fileName(build.name, 'json'), `${JSON.stringify(build, null, 2)}\n`, 'application/json');
};
