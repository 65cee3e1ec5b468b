// Cards that are up from the beginning, in the form of a wall's plan.

import { NOWHERE } from '../room/wall-state';
import { textIn } from '../surface/in-language';
import type { Attachment, GivenCard, PictureAttachment } from '../wire/forms';
import type { Texts } from '../room/marks';

export interface GivenForm {
  readonly id: number;
  text: string;
  topic: number;
  shown: readonly Attachment[];
}

/** Core's GivenCard. */
const MOST = 60;

/**
 * @param send takes a picture in; null if it was not taken, which is said.
 * @param changed something was typed or pressed: `typed` is still going on.
 */
export function givenFormOf(
  language: string,
  send: (file: File) => Promise<PictureAttachment | null>,
  changed: (typed: boolean) => void,
) {
  return {
    all: [] as GivenForm[],

    show(cards: readonly GivenCard[]): void {
      this.all = cards.map(({ id, topic, text, shown }) => ({
        id,
        topic,
        shown,
        text: textIn(text, [language], language),
      }));
    },

    /** What the form says. What stood under a topic that is gone fits nowhere. */
    cards(
      before: readonly GivenCard[],
      said: (all: Texts | undefined, text: string) => Texts,
      topics: readonly { readonly id: number }[],
    ): GivenCard[] {
      return this.all.map(({ id, text, topic, shown }) => ({
        id,
        topic: topics.some((t) => t.id === topic) ? topic : NOWHERE,
        text: said(before.find((c) => c.id === id)?.text, text),
        shown,
      }));
    },

    get isFull(): boolean {
      return this.all.length >= MOST;
    },

    add(text = '', shown: readonly Attachment[] = []): number {
      const id = Math.max(0, ...this.all.map((c) => c.id)) + 1;
      this.all.push({ id, text, topic: NOWHERE, shown });
      changed(false);
      return id;
    },

    addAll(cards: readonly { title: string; directions: string }[]): void {
      for (const { title, directions } of cards.slice(0, MOST - this.all.length))
        this.add([title, directions].filter(Boolean).join('\n'));
    },

    typed(): void {
      changed(true);
    },

    setTopic(card: GivenForm, value: string): void {
      card.topic = Number(value);
      changed(false);
    },

    remove(at: number): void {
      this.all.splice(at, 1);
      changed(false);
    },

    move(at: number, by: number): void {
      const [card] = this.all.splice(at, 1);
      if (card) this.all.splice(at + by, 0, card);
      changed(false);
    },

    async takePicture(card: GivenForm, event: Event): Promise<void> {
      const input = event.target as HTMLInputElement;
      const file = input.files?.[0];
      const picture = file ? await send(file) : null;
      input.value = '';
      const there = this.all.find((c) => c.id === card.id);
      if (!picture || !there) return;
      there.shown = [picture, ...there.shown.filter((a) => a.kind !== 'picture')];
      changed(false);
    },

    /** A card for each picture that was chosen or dropped, in their order. */
    async fromPictures(files: FileList | null | undefined): Promise<void> {
      for (const file of [...(files ?? [])].slice(0, MOST - this.all.length)) {
        const picture = await send(file);
        if (picture && !this.isFull) this.add(picture.description, [picture]);
      }
    },
  };
}
