// A teacher's hand on what students may not change any more: the whole wall, or a topic.

import { topicsStand } from '../room/stacks';
import { textIn } from '../surface/in-language';
import { NOWHERE, type WallState } from '../room/wall-state';
import type { Command } from '../room/wire';

interface Row {
  readonly id: number;
  readonly heading: string;
  readonly isLocked: boolean;
}

export function locksSteered(wall: () => WallState, submit: (command: Command) => void, written: string) {
  let known: unknown = null;

  return {
    isAll: false,
    topics: [] as Row[],

    refresh(): void {
      const { plan } = wall();
      if (plan === known) return;
      known = plan;
      this.isAll = plan.rules.locked;
      const topics = topicsStand(plan) ? plan.topics : [];
      this.topics = topics.map((t) => ({
        id: t.id,
        heading: textIn(t.heading, [written], written),
        isLocked: t.locked,
      }));
    },

    lockAll(on: boolean): void {
      submit({ kind: 'lockTopic', topic: NOWHERE, on });
    },

    lock(topic: number, on: boolean): void {
      submit({ kind: 'lockTopic', topic, on });
    },
  };
}
