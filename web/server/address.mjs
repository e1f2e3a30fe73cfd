/** Something in the environment is wrong that whoever starts the server can put right. */
export class SetupProblem extends Error {}

const FIRST_PORT = 4310;

/** A port from the environment; undefined when none is given. */
export const readPort = (text) => {
  if (text === undefined || text === '') return undefined;
  const port = Number(text);
  if (!/^\d+$/.test(text) || port < 1 || port > 65_535)
    throw new SetupProblem(`PORT is a number from 1 to 65535, not “${text}”.`);
  return port;
};

const urlHost = (host) => (host.includes(':') ? `[${host}]` : host);

/** Where to listen, and under which address pages are asked for. Without HOST nobody else can reach the server. */
export const readAddress = ({ HOST, PORT, ORIGIN }) => {
  const host = HOST || '127.0.0.1';
  const port = readPort(PORT) ?? FIRST_PORT;
  const text = ORIGIN || `http://${urlHost(host)}:${port}`;
  if (!URL.canParse(text) || !/^https?:$/.test(new URL(text).protocol))
    throw new SetupProblem(`ORIGIN is an address such as https://oculon.example, not “${text}”.`);
  return { host, port, origin: new URL(text) };
};
