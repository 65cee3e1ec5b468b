// What is drawn for a paper: Core's Ruling, held equal by golden vectors.

import type { Axis, Paper } from '../room/marks';

export interface Ruling {
  /** x, y, x, y ... */
  readonly lines: number[];
  readonly strong: number[];
  /** x, y ... */
  readonly dots: number[];
  readonly labels: [x: number, y: number, text: string][];
}

export const LABEL_SIZE = 350;

const MARGIN = 1000;
const TABLE_MARGIN = 1500;
const TICK = 250;
const LABEL_DROP = 420;
const TENS: Axis = { from: -10_000, to: 10_000, step: 1000 };
const TWENTY: Axis = { from: 0, to: 20_000, step: 1000 };

export function ruling(paper: Paper, width: number, height: number): Ruling {
  const made: Ruling = { lines: [], strong: [], dots: [], labels: [] };
  const spacing = (usual: number) => paper.spacing || usual;
  switch (paper.kind) {
    case 1:
      squares(made, spacing(500), width, height);
      break;
    case 2:
      for (let y = 2000; y < height; y += spacing(800)) made.lines.push(0, y, width, y);
      break;
    case 3:
      handwriting(made, spacing(500), width, height);
      break;
    case 4:
      for (let y = spacing(500); y < height; y += spacing(500))
        for (let x = spacing(500); x < width; x += spacing(500)) made.dots.push(x, y);
      break;
    case 5:
      triangles(made, spacing(1000), width, height);
      break;
    case 6:
      plane(made, paper.across ?? TENS, paper.up ?? TENS, width, height);
      break;
    case 7:
      numberLine(made, paper.across ?? TWENTY, width, height);
      break;
    case 8:
      staves(made, spacing(200), width, height);
      break;
    case 9:
      table(made, paper.columns || 3, paper.rows || 4, width, height);
      break;
  }
  return made;
}

function squares(made: Ruling, spacing: number, width: number, height: number): void {
  for (let x = spacing; x < width; x += spacing) made.lines.push(x, 0, x, height);
  for (let y = spacing; y < height; y += spacing) made.lines.push(0, y, width, y);
}

function handwriting(made: Ruling, tall: number, width: number, height: number): void {
  for (let y = 3 * tall; y + 3 * tall < height; y += 5 * tall)
    for (let line = 0; line < 4; line++)
      (line === 2 ? made.strong : made.lines).push(MARGIN, y + line * tall, width - MARGIN, y + line * tall);
}

function triangles(made: Ruling, side: number, width: number, height: number): void {
  const tall = (side * Math.sqrt(3)) / 2;
  for (let row = 1; row * tall < height; row++)
    for (let x = row % 2 === 0 ? side : Math.floor(side / 2); x < width; x += side)
      made.dots.push(x, Math.round(row * tall));
}

function plane(made: Ruling, across: Axis, up: Axis, width: number, height: number): void {
  const { from: fromX, to: toX, step: stepX } = across;
  const { from: fromY, to: toY, step: stepY } = up;
  const unit = Math.min((width - 2 * MARGIN) / (toX - fromX), (height - 2 * MARGIN) / (toY - fromY));
  const left = (width - (toX - fromX) * unit) / 2;
  const bottom = (height + (toY - fromY) * unit) / 2;
  const x = (n: number) => Math.round(left + (n - fromX) * unit);
  const y = (n: number) => Math.round(bottom - (n - fromY) * unit);
  const zeroX = Math.min(Math.max(0, fromX), toX);
  const zeroY = Math.min(Math.max(0, fromY), toY);
  for (let n = fromX; n <= toX; n += stepX) {
    (n === zeroX ? made.strong : made.lines).push(x(n), y(fromY), x(n), y(toY));
    if (n !== zeroX) made.labels.push([x(n), y(zeroY) + LABEL_DROP, number(n)]);
  }
  for (let n = fromY; n <= toY; n += stepY) {
    (n === zeroY ? made.strong : made.lines).push(x(fromX), y(n), x(toX), y(n));
    if (n !== zeroY) made.labels.push([x(zeroX) - LABEL_DROP, y(n) + Math.floor(LABEL_SIZE / 3), number(n)]);
  }
  // An axis whose zero is between two steps.
  if ((zeroX - fromX) % stepX !== 0) made.strong.push(x(zeroX), y(fromY), x(zeroX), y(toY));
  if ((zeroY - fromY) % stepY !== 0) made.strong.push(x(fromX), y(zeroY), x(toX), y(zeroY));
}

function numberLine(made: Ruling, { from, to, step }: Axis, width: number, height: number): void {
  const y = Math.floor(height / 2);
  const unit = (width - 4 * MARGIN) / (to - from);
  made.strong.push(MARGIN, y, width - MARGIN, y);
  for (let n = from; n <= to; n += step) {
    const x = Math.round(2 * MARGIN + (n - from) * unit);
    made.strong.push(x, y - TICK, x, y + TICK);
    made.labels.push([x, y + TICK + LABEL_DROP, number(n)]);
  }
}

function staves(made: Ruling, spacing: number, width: number, height: number): void {
  for (let top = 8 * spacing; top + 4 * spacing < height; top += 12 * spacing)
    for (let line = 0; line < 5; line++)
      made.strong.push(MARGIN, top + line * spacing, width - MARGIN, top + line * spacing);
}

function table(made: Ruling, columns: number, rows: number, pageWidth: number, pageHeight: number): void {
  const width = pageWidth - 2 * TABLE_MARGIN;
  const height = pageHeight - 2 * TABLE_MARGIN;
  for (let i = 0; i <= columns; i++) {
    const x = TABLE_MARGIN + Math.round((width * i) / columns);
    made.strong.push(x, TABLE_MARGIN, x, TABLE_MARGIN + height);
  }
  for (let i = 0; i <= rows; i++) {
    const y = TABLE_MARGIN + Math.round((height * i) / rows);
    made.strong.push(TABLE_MARGIN, y, TABLE_MARGIN + width, y);
  }
}

function number(thousandths: number): string {
  return String(thousandths / 1000);
}
