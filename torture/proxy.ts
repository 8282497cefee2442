import { createServer, request, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import type { Chance } from './report.ts';

/** What a bad line does to the traffic between a page and its server. */
export interface Line {
  /** True while nothing comes through. */
  down: boolean;
  /** Shares of requests that never arrive, and of answers that are lost on their way back. */
  losesRequests: number;
  losesAnswers: number;
  /** Answers come this late at most, ms. */
  lateMs: number;
}

/** A proxy of our own before a server, with a line that can be made bad. */
export class BadLine {
  readonly line: Line = { down: false, losesRequests: 0, losesAnswers: 0, lateMs: 0 };
  /** How many requests and answers were lost. */
  lost = 0;
  readonly #server: Server;
  readonly #random: Chance;
  #target: string;

  constructor(target: string, random: Chance) {
    this.#target = target;
    this.#random = random;
    this.#server = createServer((asked, response) => {
      this.#pass(asked, response);
    });
  }

  async listen(): Promise<string> {
    this.#server.listen(0, '127.0.0.1');
    await once(this.#server, 'listening');
    return `http://127.0.0.1:${String((this.#server.address() as AddressInfo).port)}`;
  }

  /** Another server takes the place of one that was killed. */
  turnTo(target: string): void {
    this.#target = target;
  }

  /** Nothing is lost or late any more. */
  calm(): void {
    Object.assign(this.line, { down: false, losesRequests: 0, losesAnswers: 0, lateMs: 0 });
  }

  close(): void {
    this.#server.close();
    this.#server.closeAllConnections();
  }

  #pass(asked: IncomingMessage, response: ServerResponse): void {
    const { line } = this;
    // The page itself always comes through: what is tried is what it does afterwards.
    const api = asked.url?.startsWith('/api') === true;
    const lose = (share: number): boolean => api && this.#random.next() < share;
    if ((api && line.down) || lose(line.losesRequests)) {
      this.lost += 1;
      asked.socket.destroy();
      return;
    }
    const { hostname, port } = new URL(this.#target);
    const on = request(
      { hostname, port, path: asked.url, method: asked.method, headers: asked.headers, agent: false },
      (answer) => {
        const late = api ? this.#random.next() * line.lateMs : 0;
        setTimeout(() => {
          if ((api && line.down) || lose(line.losesAnswers)) {
            this.lost += 1;
            asked.socket.destroy();
            answer.resume();
            return;
          }
          response.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(response);
        }, late);
      },
    );
    on.on('error', () => asked.socket.destroy());
    asked.pipe(on);
  }
}
