/** A stream that a test speaks on. */
export class FakeEventSource {
  static readonly CONNECTING = 0;
  static readonly CLOSED = 2;
  static all: FakeEventSource[] = [];
  static install(): void {
    FakeEventSource.all = [];
    Object.assign(globalThis, { EventSource: FakeEventSource });
  }

  readyState = 1;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();
  constructor(readonly url: string) {
    FakeEventSource.all.push(this);
  }
  addEventListener(name: string, hear: (event: { data: string }) => void): void {
    this.listeners.set(name, hear);
  }
  close(): void {
    this.readyState = FakeEventSource.CLOSED;
  }

  say(name: string, data: string): void {
    this.listeners.get(name)?.({ data });
  }
  fail(how: 'tries again' | 'gives up'): void {
    this.readyState = how === 'gives up' ? FakeEventSource.CLOSED : FakeEventSource.CONNECTING;
    this.listeners.get('error')?.({ data: '' });
  }
}
