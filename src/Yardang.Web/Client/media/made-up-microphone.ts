// A microphone that is none, for where there is no device: it hums a few words' worth of tones, loud and low.

const SYLLABLES = [196, 247, 220, 165, 208, 185, 262, 174];
const SYLLABLE_S = 0.28;
const LOUD = 0.6;
const LOW = 0.02;

export function madeUpMicrophone(): MediaStream {
  const context = new AudioContext();
  const [out, volume, voice] = [
    context.createMediaStreamDestination(),
    context.createGain(),
    context.createOscillator(),
  ];
  voice.type = 'triangle';
  voice.connect(volume).connect(out);
  volume.gain.value = LOW;
  voice.start();
  let next = 0;
  const speak = () => {
    const at = context.currentTime;
    voice.frequency.setValueAtTime(SYLLABLES[next++ % SYLLABLES.length]!, at);
    volume.gain.linearRampToValueAtTime(LOUD, at + SYLLABLE_S / 3);
    volume.gain.linearRampToValueAtTime(LOW, at + SYLLABLE_S);
  };
  speak();
  const timer = setInterval(speak, SYLLABLE_S * 1000);
  const [track] = out.stream.getAudioTracks();
  const stop = track!.stop.bind(track);
  track!.stop = () => {
    clearInterval(timer);
    if (context.state !== 'closed') void context.close();
    stop();
  };
  return out.stream;
}
