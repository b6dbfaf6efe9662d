import { useEffect, useEffectEvent } from 'react';
import { Platform } from 'react-native';

const filesOf = (data: DataTransfer | null): File[] => [...(data?.files ?? [])];

/** Files that are pasted or dropped anywhere on the page, as long as the screen is there. */
export function useArrivingFiles(onFiles: (files: File[]) => void): void {
  const arrived = useEffectEvent((event: Event, data: DataTransfer | null) => {
    const files = filesOf(data);
    if (files.length === 0) return;
    event.preventDefault();
    onFiles(files);
  });
  useEffect(() => {
    if (Platform.OS !== 'web') return;
    const paste = (e: ClipboardEvent): void => arrived(e, e.clipboardData);
    const drop = (e: DragEvent): void => arrived(e, e.dataTransfer);
    const over = (e: DragEvent): void => e.preventDefault();
    document.addEventListener('paste', paste);
    document.addEventListener('dragover', over);
    document.addEventListener('drop', drop);
    return () => {
      document.removeEventListener('paste', paste);
      document.removeEventListener('dragover', over);
      document.removeEventListener('drop', drop);
    };
  }, []);
}
