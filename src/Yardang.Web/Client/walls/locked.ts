// That a teacher has locked a topic, in words.

import { html, nothing, type TemplateResult } from 'lit-html';
import type { Topic } from '../room/wall-state';
import type { WallSide } from './wall-side';

export function topicLocked({ me, texts }: WallSide, topic: Topic | null): TemplateResult | typeof nothing {
  if (!topic?.locked) return nothing;
  return html`<p class="topic-locked">${me.isStaff ? texts.topicLocked : texts.topicLockedForMe}</p>`;
}
