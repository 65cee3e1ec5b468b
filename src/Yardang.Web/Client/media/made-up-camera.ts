// A camera and a screen that are none, for where there are no devices: a load that crosses a bridge, and a table that is filled in.

const WIDTH = 640;
const HEIGHT = 480;
const PER_SECOND = 20;

export function madeUpCamera(): MediaStream {
  return filmed((ctx, seconds) => {
    fill(ctx, '#cfe3ee', 0, 0, WIDTH, HEIGHT);
    fill(ctx, '#7fa36b', 0, 330, WIDTH, 150);
    fill(ctx, '#4f86a6', 0, 380, WIDTH, 60);
    const sag = 14 * Math.sin(seconds * 2);
    ctx.strokeStyle = '#5a4634';
    ctx.lineWidth = 16;
    ctx.beginPath();
    ctx.moveTo(40, 300);
    ctx.quadraticCurveTo(WIDTH / 2, 300 + 2 * Math.abs(sag), WIDTH - 40, 300);
    ctx.stroke();
    ctx.lineWidth = 10;
    ctx.beginPath();
    ctx.arc(WIDTH / 2, 470, 260, Math.PI * 1.18, Math.PI * 1.82);
    ctx.stroke();
    const at = 60 + ((seconds * 90) % (WIDTH - 160));
    fill(ctx, '#a33b2c', at, 246 + Math.abs(sag) * 0.6, 96, 40);
    fill(ctx, '#26221f', at + 12, 284 + Math.abs(sag) * 0.6, 18, 18);
    fill(ctx, '#26221f', at + 66, 284 + Math.abs(sag) * 0.6, 18, 18);
  });
}

export function madeUpScreen(): MediaStream {
  return filmed((ctx, seconds) => {
    fill(ctx, '#f4f1ea', 0, 0, WIDTH, HEIGHT);
    fill(ctx, '#3d4b57', 0, 0, WIDTH, 44);
    ctx.font = '20px sans-serif';
    ctx.fillStyle = '#ffffff';
    ctx.fillText('Load, kN            Sag, mm', 24, 29);
    ctx.fillStyle = '#26221f';
    for (let row = 0; row < Math.min(9, Math.floor(seconds * 2) + 1); row++) {
      fill(ctx, '#d8d2c4', 0, 44 + row * 48 + 47, WIDTH, 1);
      ctx.fillStyle = '#26221f';
      ctx.fillText(`${(row + 1) * 20}`, 40, 76 + row * 48);
      ctx.fillText(`${(row + 1) * 3}`, 250, 76 + row * 48);
    }
  });
}

function fill(
  ctx: CanvasRenderingContext2D,
  colour: string,
  x: number,
  y: number,
  width: number,
  height: number,
): void {
  ctx.fillStyle = colour;
  ctx.fillRect(x, y, width, height);
}

function filmed(draw: (ctx: CanvasRenderingContext2D, seconds: number) => void): MediaStream {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [WIDTH, HEIGHT];
  const ctx = canvas.getContext('2d')!;
  const began = performance.now();
  const next = () => draw(ctx, (performance.now() - began) / 1000);
  next();
  const timer = setInterval(next, 1000 / PER_SECOND);
  const stream = canvas.captureStream(PER_SECOND);
  const [track] = stream.getVideoTracks();
  const stop = track!.stop.bind(track);
  track!.stop = () => {
    clearInterval(timer);
    stop();
  };
  return stream;
}
