// A free field as it was: cards where they lay, what lay beneath, and the links between them, as large as there is room. Lengths are units of the field but where px is said.

import { type TemplateResult, html, nothing, svg } from 'lit-html';
import { repeat } from 'lit-html/directives/repeat.js';
import { CARD_HEIGHT, CARD_WIDTH, sizeOf } from '../room/free-spots';
import { fieldOf } from '../room/linking';
import type { Card, WallState } from '../room/wall-state';
import { bendsOf, lineOf } from '../walls/link-lines';
import type { FieldSpot, Link } from '../wire/forms';

const AROUND = 30;
/** Where cards stand that have no place there, as those that went before they had one. */
const MIDDLE: FieldSpot = { x: 0, y: 0 };
const LARGEST = 1;

export interface FieldPast {
  readonly wall: WallState;
  readonly cards: readonly Card[];
  readonly links: readonly Link[];
  address(media: string): string;
  slip(card: Card): unknown;
  wordsOf(link: Link): string;
}

export function drawField({ wall, cards, links, address, slip, wordsOf }: FieldPast): TemplateResult {
  const picture = fieldOf(wall.plan)?.picture;
  return html`<div class="past-field" dir="ltr">
    <div class="past-field-canvas">
      ${picture ? html`<img class="past-field-picture" src=${address(picture.media)} alt=${picture.description} />` : nothing}
      <svg class="past-links" aria-hidden="true">
        ${links.map((l) => svg`<g data-link=${l.id}><path class="past-link-line"></path><path class="past-link-head"></path></g>`)}
      </svg>
      <div aria-hidden="true">
        ${links.map((l) => html`<span class="past-link-words" dir="auto" data-words=${l.id}>${wordsOf(l)}</span>`)}
      </div>
      <ol>
        ${repeat(cards, (c) => c.id, slip)}
      </ol>
    </div>
  </div>`;
}

/** Puts everything in its place, once it is drawn. */
export function layField(host: HTMLElement, wall: WallState, cards: readonly Card[], links: readonly Link[]): void {
  const field = host.querySelector<HTMLElement>('.past-field');
  const canvas = field?.querySelector<HTMLElement>('.past-field-canvas');
  if (!field || !canvas) return;
  const boxes = new Map<number, { x: number; y: number; width: number; height: number }>();
  for (const element of canvas.querySelectorAll<HTMLElement>('li[data-card]')) {
    const card = cards.find((c) => c.id === Number(element.dataset['card']));
    if (card)
      boxes.set(card.id, { ...(card.spot ?? MIDDLE), width: element.offsetWidth, height: element.offsetHeight });
  }
  const picture = fieldOf(wall.plan)?.picture;
  const under = picture ? [{ ...MIDDLE, ...sizeOf(picture) }] : [];
  const all = [...boxes.values(), ...under];
  if (all.length === 0) all.push({ ...MIDDLE, width: CARD_WIDTH, height: CARD_HEIGHT });
  const left = Math.min(...all.map((b) => b.x - b.width / 2)) - AROUND;
  const top = Math.min(...all.map((b) => b.y - b.height / 2)) - AROUND;
  const width = Math.max(...all.map((b) => b.x + b.width / 2)) + AROUND - left;
  const height = Math.max(...all.map((b) => b.y + b.height / 2)) + AROUND - top;
  const scale = Math.min(LARGEST, field.clientWidth / width);
  px(canvas, { width, height });
  canvas.style.setProperty('transform', `scale(${scale})`);
  field.style.setProperty('height', `${height * scale}px`);
  const image = canvas.querySelector<HTMLElement>('.past-field-picture');
  if (image && under[0])
    px(image, { left: -under[0].width / 2 - left, top: -under[0].height / 2 - top, width: under[0].width });
  for (const [id, { x, y, width: wide, height: high }] of boxes)
    px(canvas.querySelector<HTMLElement>(`li[data-card="${id}"]`)!, {
      left: x - wide / 2 - left,
      top: y - high / 2 - top,
    });
  const bends = bendsOf(links);
  for (const { id, from, to } of links) {
    const [begins, ends] = [boxes.get(from), boxes.get(to)];
    const group = canvas.querySelector(`[data-link="${id}"]`);
    if (!begins || !ends || !group) continue;
    const seen = (b: typeof begins) => ({ ...b, x: b.x - left, y: b.y - top });
    const line = lineOf(seen(begins), seen(ends), bends.get(id) ?? 0);
    group.querySelector('.past-link-line')!.setAttribute('d', line.path);
    group.querySelector('.past-link-head')!.setAttribute('d', line.head);
    const { x, y } = line.at(0.5);
    px(canvas.querySelector<HTMLElement>(`[data-words="${id}"]`)!, { left: x, top: y });
  }
}

function px(element: HTMLElement, lengths: Record<string, number>): void {
  for (const [name, length] of Object.entries(lengths)) element.style.setProperty(name, `${length}px`);
}
