/** A file that the person picks; null when they think better of it. */
export function chooseFile(accept: string, by?: 'camera'): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    if (by) input.capture = 'environment';
    input.style.display = 'none';
    input.onchange = () => {
      resolve(input.files?.[0] ?? null);
      input.remove();
    };
    input.oncancel = () => {
      resolve(null);
      input.remove();
    };
    document.body.append(input);
    input.click();
  });
}

/**
 * An address of the server that answers with a file: kept by the browser, or opened beside the app.
 */
export function openFile(path: string, how: 'keep' | 'show'): void {
  const link = document.createElement('a');
  link.href = path;
  if (how === 'keep') link.download = '';
  else link.target = '_blank';
  link.rel = 'noopener';
  link.click();
}

/** A text that was made here, kept as a file. */
export function saveFile(name: string, text: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
