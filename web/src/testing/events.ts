/** Server-sent events, which a test sends by `Events.send`. */
export class Events {
  static open: Events[] = [];
  onmessage: ((event: { data: string }) => void) | null = null;
  constructor(readonly url: string) {
    Events.open.push(this);
  }
  static send(data: object) {
    Events.open.forEach((events) => events.onmessage?.({ data: JSON.stringify(data) }));
  }
  close() {
    Events.open = Events.open.filter((events) => events !== this);
  }
}
