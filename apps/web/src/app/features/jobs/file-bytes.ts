/** What a file holds, as text and in base64 as it is sent. */
export function bytesOfFile(file: File): Promise<{ readonly text: string; readonly base64: string }> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onerror = () => reject(new Error(`${file.name} cannot be read`));
    reader.onload = () => {
      const base64 = (reader.result as string).replace(/^[^,]*,/, '');
      const bytes = Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
      resolve({ text: new TextDecoder().decode(bytes), base64 });
    };
    reader.readAsDataURL(file);
  });
}
