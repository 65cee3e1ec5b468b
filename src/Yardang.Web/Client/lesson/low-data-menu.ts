// Whether this device is spared what is heavy: seen, and chosen.

import { lowData, type LowDataChoice } from '../room/low-data';

export const lowDataMenu = () => ({
  isOn: lowData.isOn,
  choice: lowData.choice,

  init(): void {
    lowData.listen(() => (this.isOn = lowData.isOn));
  },

  choose(choice: LowDataChoice): void {
    lowData.choose(choice);
    this.choice = choice;
  },
});
