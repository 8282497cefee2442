/** What a JPEG says of itself, or why it is none that is taken. */
export type JpegLook =
  | { readonly ok: true; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly why: string };

/** Most picture elements. */
const MOST_ELEMENTS = 40e6;
const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const APP1 = 0xe1;

const no = (why: string): JpegLook => ({ ok: false, why });
/** Start of frame of any kind; C4, C8 and CC are tables. */
const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

/**
 * Walks the segments of a JPEG (ISO/IEC 10918-1, B.1.1): it begins and ends as one, has one frame and nothing behind its end. One
 * that carries APP1 (EXIF, where places of a telephone stand) is refused: the page draws pictures anew before it sends them.
 */
export function lookAtJpeg(bytes: Buffer): JpegLook {
  if (bytes.length < 4 || bytes[0] !== 0xff || bytes[1] !== SOI) return no('it does not begin as a JPEG');
  if (bytes.at(-2) !== 0xff || bytes.at(-1) !== EOI) return no('it does not end as a JPEG');
  let at = 2;
  let size: { width: number; height: number } | undefined;
  for (;;) {
    if (at + 4 > bytes.length || bytes[at] !== 0xff) return no('a segment of it is broken');
    const marker = bytes[at + 1] ?? 0;
    const length = bytes.readUInt16BE(at + 2);
    if (length < 2 || at + 2 + length > bytes.length) return no('a segment of it is cut off');
    if (marker === APP1) return no('it carries data of the camera, a place perhaps');
    if (isFrame(marker)) {
      if (size !== undefined) return no('it has two frames');
      if (length < 8) return no('its frame is broken');
      size = { height: bytes.readUInt16BE(at + 5), width: bytes.readUInt16BE(at + 7) };
    }
    if (marker === SOS) break;
    at += 2 + length;
  }
  if (size === undefined || size.width === 0 || size.height === 0) return no('it has no frame');
  if (size.width * size.height > MOST_ELEMENTS) return no('it has too many picture elements');
  return { ok: true, ...size };
}
