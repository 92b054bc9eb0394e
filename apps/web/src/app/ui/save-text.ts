/** Hands a text to whoever sits here as a file. */
export const saveText = (name: string, type: string, text: string): void => saveFile(name, new Blob([text], { type }));

/** The same of a file that is made already. */
export function saveFile(name: string, file: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href));
}
