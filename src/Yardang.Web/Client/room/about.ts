// What a command is about: the one thing that it makes, or what it changes.

import type { Command } from './wire';

export function aboutOf(command: Command): readonly number[] {
  switch (command.kind) {
    case 'putUpCard':
    case 'rewordCard':
    case 'giveAnswer':
    case 'rewordAnswer':
    case 'linkCards':
    case 'rewordLink':
    case 'moveCard':
    case 'addMark':
      return [command.id];
    case 'addMarks':
      return command.marks.map(({ id }) => id);
    case 'joinCard':
    case 'colourCard':
    case 'layCard':
      return [command.card];
    case 'makeChanges':
    case 'restoreMarks':
      return command.changes.map(({ target }) => target);
    default:
      return [];
  }
}
