import { afterEach, describe, expect, it, vi } from 'vitest';
import { saveJob } from './builds.ts';

afterEach(() => vi.unstubAllGlobals());

describe('a job saved as one file', () => {
  const asked: string[] = [];
  const clicked: string[] = [];
  const server = (status: number, body: unknown): void => {
    asked.length = 0;
    clicked.length = 0;
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(url);
      return Promise.resolve(Response.json(body, { status }));
    });
    vi.stubGlobal('document', {
      createElement: () => ({
        href: '',
        download: '',
        click() {
          clicked.push(`${this.download} from ${this.href}`);
        },
      }),
    });
  };

  it('is fetched by the browser once the server says that one file takes it', async () => {
    server(200, { rows: 12, photos: 3 });
    await saveJob('one', 'Orchard longtail');
    expect(asked).toEqual(['/api/jobs/one/size']);
    expect(clicked).toEqual(['orchard-longtail.applecart.zip from /api/jobs/one']);
  });

  it('that is more than one file takes says so in the server’s words, and nothing is fetched', async () => {
    const message =
      'This job has more than 2,000,000 rows of recordings: too many for one file. Save its recordings one by one at Road.';
    server(413, { error: { code: 'too-large', message } });
    await expect(saveJob('one', 'Orchard longtail')).rejects.toThrow(message);
    expect(clicked).toEqual([]);
  });
});
