const AGAIN_MS = 10_000;

/**
 * Server-sent events from an address, by their names (`message` for those without). A browser tries
 * a lost connection again by itself, but gives up for good where something answered in the server's
 * place (a proxy while it restarts): then it is opened again.
 * @returns what closes it
 */
export function eventStream(
  url: string,
  on: Readonly<Record<string, (data: string) => void>>,
  lost: () => void,
): () => void {
  let source: EventSource;
  let later: ReturnType<typeof setTimeout> | undefined;
  const open = (): void => {
    source = new EventSource(url);
    for (const [name, hear] of Object.entries(on))
      source.addEventListener(name, ({ data }: MessageEvent<string>) => hear(data));
    source.addEventListener('error', () => {
      lost();
      if (source.readyState === EventSource.CLOSED) later = setTimeout(open, AGAIN_MS);
    });
  };
  open();
  return () => {
    clearTimeout(later);
    source.close();
  };
}
