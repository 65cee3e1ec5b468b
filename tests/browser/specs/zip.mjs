// A zip file of some entries, uncompressed (PKWARE's APPNOTE: local headers, central directory, its end).
import { crc32 } from 'node:zlib';

const numbers = (...fields) =>
  Buffer.concat(
    fields.map(([size, value]) => {
      const bytes = Buffer.alloc(size);
      bytes.writeUIntLE(value, 0, size);
      return bytes;
    }),
  );

export function zip(entries) {
  const [files, directory] = [[], []];
  let at = 0;
  for (const [name, content] of Object.entries(entries)) {
    const path = Buffer.from(name);
    // Version, flags, method, time, date, sum, sizes, length of the name, nothing extra.
    const head = numbers([2, 20], [2, 0x800], [2, 0], [2, 0], [2, 0x5b3b], [4, crc32(content)], [4, content.length], [4, content.length], [2, path.length], [2, 0]);
    const file = Buffer.concat([numbers([4, 0x04034b50]), head, path, content]);
    files.push(file);
    directory.push(numbers([4, 0x02014b50], [2, 20]), head, numbers([2, 0], [2, 0], [2, 0], [4, 0], [4, at]), path);
    at += file.length;
  }
  const central = Buffer.concat(directory);
  const count = files.length;
  return Buffer.concat([...files, central, numbers([4, 0x06054b50], [2, 0], [2, 0], [2, count], [2, count], [4, central.length], [4, at], [2, 0])]);
}
