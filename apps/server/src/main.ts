import { makeApp } from './app.js';
import { readConfig } from './config.js';

const config = readConfig(process.env, process.argv.slice(2));
// Also called where the port cannot be had, with the reason.
const server = makeApp(config).listen(config.port, config.host, (error?: NodeJS.ErrnoException) => {
  if (error) {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${config.port} is taken. Choose another: PORT=${config.port + 1} before the command.`
        : error.message,
    );
    process.exit(1);
  }
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  console.log(`Poietra is ready: http://${config.host}:${port}/`);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)));
