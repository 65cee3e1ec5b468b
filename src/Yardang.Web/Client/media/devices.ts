// The devices that record: which there are, and what they give. Each is asked for when it is used.

import { madeUpCamera, madeUpScreen } from './made-up-camera';
import { madeUpMicrophone } from './made-up-microphone';

export interface Device {
  readonly id: string;
  readonly name: string;
}

/** How the devices are called that have no name of their own: with a number, and those that ship with the program. */
export interface DeviceNames {
  readonly numbered: (number: number) => string;
  /** Empty where none ship. */
  readonly madeUp: string;
  /** Empty for microphones. */
  readonly screen?: string;
  readonly madeUpScreen?: string;
}

const MADE_UP = 'made-up';
const SCREEN = 'screen';
const MADE_UP_SCREEN = 'made-up-screen';
export const NO_SOUND = 'none';
/** What a school's network carries, and what is still recognised at distance. */
const PICTURE = { width: { ideal: 960 }, height: { ideal: 720 }, frameRate: { ideal: 24, max: 30 } };

export function canRecord(isMadeUp: boolean): boolean {
  return typeof MediaRecorder !== 'undefined' && (isMadeUp || !!navigator.mediaDevices?.getUserMedia);
}

/** Which there are; their own names are known once one was used. */
export async function devicesOf(kind: 'audioinput' | 'videoinput', names: DeviceNames): Promise<readonly Device[]> {
  const all = (await navigator.mediaDevices?.enumerateDevices?.().catch(() => [])) ?? [];
  const own = all
    .filter((device) => device.kind === kind)
    .map(({ deviceId, label }, i) => ({ id: deviceId, name: label || names.numbered(i + 1) }));
  const screen = names.screen && 'getDisplayMedia' in (navigator.mediaDevices ?? {});
  return [
    ...own,
    ...(names.madeUp ? [{ id: MADE_UP, name: names.madeUp }] : []),
    // Behind the cameras: nobody shows their screen who has not chosen to.
    ...(screen ? [{ id: SCREEN, name: names.screen! }] : []),
    ...(names.madeUp && names.madeUpScreen ? [{ id: MADE_UP_SCREEN, name: names.madeUpScreen }] : []),
  ];
}

export async function openMicrophone(id: string): Promise<MediaStream | null> {
  if (id === NO_SOUND) return null;
  if (id === MADE_UP) return madeUpMicrophone();
  return navigator.mediaDevices.getUserMedia({ audio: id ? { deviceId: { ideal: id } } : true });
}

export async function openCamera(id: string): Promise<MediaStream> {
  if (id === MADE_UP) return madeUpCamera();
  if (id === MADE_UP_SCREEN) return madeUpScreen();
  if (id === SCREEN) return navigator.mediaDevices.getDisplayMedia({ video: PICTURE });
  return navigator.mediaDevices.getUserMedia({ video: { ...PICTURE, ...(id && { deviceId: { ideal: id } }) } });
}
