// For weak devices and networks: fewer moving things and smaller pictures. It switches itself on where the browser says that the device or the network
// is weak, or the network is lost again and again; and it can be chosen.

export type LowDataChoice = 'auto' | 'on' | 'off';

interface Network extends EventTarget {
  readonly saveData?: boolean;
  readonly effectiveType?: string;
}

const CHOSEN = 'yardang-low-data';
/** Lost so often within so long: weak, for as long as this tab is open. */
const LOSSES = 3;
const WITHIN_MS = 5 * 60_000;
const LOST = 'yardang-network-weak';
/** Memory of a weak device, GB. */
const LITTLE_MEMORY = 2;

const device = navigator as Navigator & { readonly connection?: Network; readonly deviceMemory?: number };
const network = device.connection;
const listeners: (() => void)[] = [];
let losses: number[] = [];

function isWeak(): boolean {
  const isSlow = network?.saveData || /2g|3g/.test(network?.effectiveType ?? '');
  return isSlow || (device.deviceMemory ?? 8) <= LITTLE_MEMORY || sessionStorage.getItem(LOST) !== null;
}

const now = () => {
  const { choice } = lowData;
  return choice === 'on' || (choice === 'auto' && isWeak());
};

function changed(): void {
  const isOn = now();
  if (isOn === lowData.isOn) return;
  lowData.isOn = isOn;
  for (const listener of listeners) listener();
}

export const lowData = {
  isOn: false,

  get choice(): LowDataChoice {
    return (localStorage.getItem(CHOSEN) as LowDataChoice | null) ?? 'auto';
  },

  choose(choice: LowDataChoice): void {
    localStorage.setItem(CHOSEN, choice);
    changed();
  },

  noteLoss(): void {
    losses = [...losses.filter((at) => performance.now() - at < WITHIN_MS), performance.now()];
    if (losses.length >= LOSSES) sessionStorage.setItem(LOST, '');
    changed();
  },

  listen(listener: () => void): void {
    listeners.push(listener);
  },

  /** What a picture is asked for by: "?as=..." or nothing, and perhaps that a smaller one does. */
  pictureQuery(query: string): string {
    return lowData.isOn ? `${query}${query ? '&' : '?'}small` : query;
  },
};

lowData.isOn = now();
network?.addEventListener?.('change', changed);
