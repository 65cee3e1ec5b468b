// The kinds of marks. A kind that is in Core and not here does not compile.

import type { Body } from '../room/marks';
import { answerField, fieldAnswer } from './answer-field';
import { bubble } from './bubble';
import { connector } from './connector';
import { formula } from './formula';
import { ink } from './ink';
import type { Kind } from './kind';
import { note } from './note';
import { picture } from './picture';
import { shape } from './shape';
import { shown } from './shown';
import { stamp } from './stamp';
import { text } from './text';
import { zone } from './zone';

const KINDS: { readonly [K in Body['kind']]: Kind<Extract<Body, { kind: K }>> } = {
  ink,
  text,
  note,
  shape,
  picture,
  bubble,
  formula,
  stamp,
  connector,
  zone,
  shown,
  answerField,
  fieldAnswer,
};

export function kindOf<B extends Body>(body: B): Kind<B> {
  return KINDS[body.kind] as unknown as Kind<B>;
}

/** Whether it hangs on other marks: it stands between them, and nowhere else. */
export function hangs(body: Body): boolean {
  return kindOf(body).ends !== undefined;
}
