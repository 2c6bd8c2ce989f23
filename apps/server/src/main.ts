import { makeApp } from './app.js';
import { readConfig } from './config.js';

const config = readConfig(process.env, process.argv.slice(2));
const server = makeApp(config).listen(config.port, config.host, () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  console.log(`Poietra is ready: http://${config.host}:${port}/`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE' ? `Port ${config.port} is taken. Choose another: PORT=4311 npm start` : error.message,
  );
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)));
