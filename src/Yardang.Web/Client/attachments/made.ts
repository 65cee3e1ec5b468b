// What was recorded or chosen, as what is sent and what is shown once it has a name.

import { firstPageOf, nameOfFile } from '../media/documents';
import type { Sending, Sent } from '../media/uploads';
import type { Attachment, LinkAttachment } from '../wire/forms';
import { type LinkPlace, linkAt } from './look-up';
import type { Recording } from './recording';

/** As Core's FileAttachment, bytes. */
export const LARGEST_FILE = 20 * 1024 * 1024;

const LONGEST_SITE = 120;

export interface Made {
  readonly sending: Sending;
  shown(sent: Sent): Attachment;
}

export function madeOf(kind: 'voice' | 'film', recording: Recording): Made {
  const { file, duration, loudness, words, width, height, still } = recording;
  return {
    sending: { what: kind, file, ...(still && { picture: still }) },
    shown: ({ media, picture }) =>
      kind === 'voice'
        ? { kind, media, duration, loudness, words }
        : { kind, media, still: picture, width, height, duration, words },
  };
}

export async function madeOfFile(file: File): Promise<Made> {
  const picture = await firstPageOf(file);
  const name = nameOfFile(file.name);
  return {
    sending: { what: 'file', file, ...(picture && { picture }) },
    shown: ({ media, picture, format }) => {
      return { kind: 'file', media, name, format, size: file.size, picture, description: '' };
    },
  };
}

/** Without a network it goes there under the name of its server. @param where links of the room are looked up. */
export async function madeOfLink(where: LinkPlace, address: URL): Promise<LinkAttachment> {
  const found = await linkAt(where, address.href);
  return {
    kind: 'link',
    ...(found ?? { address: address.href, title: '', site: address.hostname.slice(0, LONGEST_SITE), picture: '' }),
  };
}
