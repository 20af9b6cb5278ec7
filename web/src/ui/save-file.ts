/** Hands a file that was made here to whoever asked for it. */
export function saveFile(name: string, content: string | Uint8Array<ArrayBuffer>, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
