import { describe, expect, it } from 'vitest';
import type { Recording } from './channels.ts';
import { analyzeLog } from './analysis.ts';
import { gpxOfRecording, recordingOfGpx } from './gpx-log.ts';

const log: Recording = {
  seconds: Float64Array.from({ length: 100 }, (_, i) => 2 * i),
  columns: {
    latDeg: Float64Array.from({ length: 100 }, (_, i) => 51 + i * 1e-4),
    lonDeg: new Float64Array(100).fill(-1.5),
    elevation: Float64Array.from({ length: 100 }, (_, i) => 80 + i / 4),
  },
};

describe('a recorded track', () => {
  it('is read back as it was written, with its times', () => {
    const text = gpxOfRecording('Over <the> wold & back', '2026-03-02', log) ?? '';
    const back = recordingOfGpx(text);
    if (!back.ok) throw new Error('not read');
    expect([...back.value.seconds]).toEqual([...log.seconds]);
    expect(back.value.columns.latDeg?.[99]).toBeCloseTo(51.0099, 7);
    // 99 steps of a ten-thousandth of a degree of 111.2 km, in 198 s.
    expect(analyzeLog(back.value).metres).toBeCloseTo(1101, -1);
    expect(analyzeLog(back.value).climbs[0]?.riseM).toBeCloseTo(24.75, 1);
  });

  it('without times is a road, and no ride; with times that run back it is refused by the point', () => {
    const text = gpxOfRecording('x', '2026-03-02', log) ?? '';
    const none = recordingOfGpx(text.replaceAll(/<time>[^<]*<\/time>/g, ''));
    expect(none).toMatchObject({ ok: false, issues: [{ path: 'trkpt/time' }] });
    const back = recordingOfGpx(text.replace('T00:00:20.000Z', 'T00:00:01.000Z'));
    expect(back).toMatchObject({ ok: false, issues: [{ path: 'trkpt 11' }] });
    const bad = recordingOfGpx(text.replace('2026-03-02T00:00:20.000Z', 'yesterday'));
    expect(bad.ok && bad.value.seconds).toHaveLength(99);
    expect(gpxOfRecording('x', '2026-03-02', { ...log, columns: {} })).toBeUndefined();
  });
});
