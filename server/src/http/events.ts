import { EventEmitter } from 'node:events';
import type { Response } from 'express';
import { Problem } from './problem';

/** Pages that may listen at one time: of a teacher, and in all. Each holds a connection. */
const most = { each: 250, all: 1000 };

/** Tells a teacher's open pages that something has been written, and by which device. */
export class Events {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private readonly open = new Set<Response>();

  tell(teacherId: string, device: string): void {
    this.emitter.emit(teacherId, device);
  }

  /** Keeps an answer open as a stream of server-sent events until the page goes. */
  stream(teacherId: string, response: Response): void {
    if (this.open.size >= most.all || this.emitter.listenerCount(teacherId) >= most.each)
      throw new Problem(
        503,
        'Too many pages open',
        'Too many pages listen at once. This one still asks for itself, three times a minute.',
      );
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // A stream that is packed arrives late.
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
    });
    response.write('retry: 3000\n\n');
    const tell = (device: string) => response.write(`data: ${JSON.stringify({ device })}\n\n`);
    this.emitter.on(teacherId, tell);
    this.open.add(response);
    response.on('close', () => {
      this.emitter.off(teacherId, tell);
      this.open.delete(response);
    });
  }

  /** Before the server stops. */
  closeAll(): void {
    for (const response of this.open) response.end();
  }
}
