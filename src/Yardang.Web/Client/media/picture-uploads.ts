// Sends pictures to the server, which takes each in anew. What it does not take is said.

import { isSvg, pngOf } from '../tools/svg-picture';

export interface Taken {
  readonly media: string;
  readonly width: number;
  readonly height: number;
}

export class PictureUploads {
  /**
   * @param address where pictures of the room are taken in.
   * @param away what is said when the server cannot be reached.
   */
  constructor(
    private readonly address: string,
    private readonly token: string,
    private readonly say: (words: string) => void,
    private readonly away: string,
  ) {}

  /** Null, and said why, if it was not taken. */
  async take(file: File): Promise<Taken | null> {
    const body = new FormData();
    body.set('picture', (isSvg(file) && (await pngOf(file))) || file);
    return this.send(this.address, body);
  }

  /** Has the server take in a picture that it can reach by itself: from a search. */
  takeFrom(address: string): Promise<Taken | null> {
    return this.send(address);
  }

  private async send(address: string, body: FormData | null = null): Promise<Taken | null> {
    try {
      const headers = { RequestVerificationToken: this.token };
      const answer = await fetch(address, { method: 'POST', body, headers });
      const told = (await answer.json()) as Taken & { fault?: string };
      if (answer.ok) return told;
      this.say(told.fault ?? this.away);
    } catch {
      this.say(this.away);
    }
    return null;
  }
}

/** Names that cameras and clipboards give say nothing of what is to be seen. */
const NAMELESS = /^(img|image|imagen|dsc|dscn|pxl|photo|foto|picture|screenshot|captura|unnamed)?[-_ .()\d]*$/i;

/** What somebody called a file, without its ending; empty if nobody gave it a name. */
export function titleOfFile({ name }: Pick<File, 'name'>): string {
  const title = name.replace(/\.[^.]*$/, '');
  return NAMELESS.test(title) ? '' : title;
}
