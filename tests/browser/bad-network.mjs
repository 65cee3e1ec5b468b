// A bad network between browser and server: every answer and every frame takes a while; what is asked later may be answered
// earlier, but what goes over one socket keeps its order. Usage: node bad-network.mjs PORT SERVER_PORT LONGEST_DELAY_MS
import http from 'node:http';
import net from 'node:net';

const [port, server, longest] = process.argv.slice(2).map(Number);
// Mostly short, now and then long.
const delay = () => Math.random() ** 2 * longest;
const later = (then) => setTimeout(then, delay());

function relay(request, response) {
  const { url: path, method, headers } = request;
  const onward = http.request({ host: '127.0.0.1', port: server, path, method, headers }, (answer) =>
    later(() => {
      response.writeHead(answer.statusCode, answer.rawHeaders);
      answer.pipe(response);
    }),
  );
  onward.on('error', () => response.destroy());
  request.pipe(onward);
}

/** One direction of a socket. */
function carry(from, to) {
  const waiting = [];
  const next = () => {
    const { due, bytes } = waiting[0];
    const left = due - Date.now();
    if (left > 0) return setTimeout(next, left);
    if (to.writable) to.write(bytes);
    waiting.shift();
    if (waiting.length > 0) next();
  };
  from.on('data', (bytes) => {
    waiting.push({ due: Date.now() + delay(), bytes });
    if (waiting.length === 1) next();
  });
  from.on('close', () => setTimeout(() => to.destroy(), longest));
  from.on('error', () => to.destroy());
}

http
  .createServer((request, response) => later(() => relay(request, response)))
  .on('upgrade', (request, socket, head) => {
    const onward = net.connect(server, '127.0.0.1', () => {
      onward.write(`${request.method} ${request.url} HTTP/1.1\r\n`);
      for (let i = 0; i < request.rawHeaders.length; i += 2) onward.write(`${request.rawHeaders[i]}: ${request.rawHeaders[i + 1]}\r\n`);
      onward.write('\r\n');
      onward.write(head);
    });
    carry(socket, onward);
    carry(onward, socket);
  })
  .listen(port, '127.0.0.1');
