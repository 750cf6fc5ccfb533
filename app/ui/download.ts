/** Hands bytes or text to the person as a file. */
export function download(name: string, content: string | Uint8Array | Blob, type = 'application/json'): void {
  const blob = content instanceof Blob ? content : new Blob([content as BlobPart], { type });
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** A name as a part of a file's name. */
export function fileStem(name: string): string {
  return name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'terroir';
}
