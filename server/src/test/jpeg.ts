/** A small JPEG: start, JFIF, a frame of some size, a scan of nothing, end. */
export function jpeg({
  width = 40,
  height = 30,
  app1 = false,
  tail = Buffer.alloc(0),
  pad = 0,
} = {}): Buffer {
  const segment = (marker: number, body: Buffer): Buffer => {
    const head = Buffer.from([0xff, marker, 0, 0]);
    head.writeUInt16BE(body.length + 2, 2);
    return Buffer.concat([head, body]);
  };
  const size = Buffer.from([8, 0, 0, 0, 0, 1, 1, 17, 0]);
  size.writeUInt16BE(height, 1);
  size.writeUInt16BE(width, 3);
  return Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    segment(0xe0, Buffer.from('JFIF\0')),
    ...(app1 ? [segment(0xe1, Buffer.from('Exif\0\0'))] : []),
    segment(0xc0, size),
    segment(0xda, Buffer.from([1, 1, 0, 0, 63, 0])),
    Buffer.alloc(pad, 7),
    Buffer.from([0xff, 0xd9]),
    tail,
  ]);
}
