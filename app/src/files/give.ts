/** Puts text on the clipboard. @returns a sentence that says whether it is there */
export async function copyText(text: string, what = 'It'): Promise<string> {
  try {
    await navigator.clipboard.writeText(text);
    return `${what} is on the clipboard.`;
  } catch {
    return copyBySelection(text)
      ? `${what} is on the clipboard.`
      : 'This browser does not let the page use the clipboard. Save the file instead.';
  }
}

/** Without a secure address browsers offer no clipboard; selecting and copying still works there. */
function copyBySelection(text: string): boolean {
  const area = document.createElement('textarea');
  area.value = text;
  document.body.append(area);
  area.select();

  const done = document.execCommand('copy');
  area.remove();
  return done;
}

/** Saves text as a file, as a download does. */
export function saveText(text: string, name: string, type: string): void {
  saveFile(new Blob([text], { type: `${type};charset=utf-8` }), name);
}

/** Saves a file under a name, as a download does. */
export function saveFile(file: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(link.href);
  }, 10_000);
}
