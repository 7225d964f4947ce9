import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/** A line to the database that can be cut and mended, for an address that stays the same. */
export interface CuttableLine {
  readonly url: string;
  readonly cut: () => void;
  readonly mend: () => void;
  readonly close: () => void;
}

/** Puts a line in front of the database at that URL. */
export async function cuttable(url: string): Promise<CuttableLine> {
  const to = new URL(url);
  const open = new Set<Socket>();
  let isCut = false;
  const server = createServer((near) => {
    if (isCut) {
      near.destroy();
      return;
    }
    const far = connect(Number(to.port), to.hostname);
    for (const [socket, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(socket);
      socket.on('error', () => other.destroy());
      socket.on('close', () => {
        open.delete(socket);
        other.destroy();
      });
      socket.pipe(other);
    }
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const through = new URL(url);
  through.port = String((server.address() as AddressInfo).port);
  const destroyAll = () => open.forEach((socket) => socket.destroy());
  return {
    url: through.toString(),
    cut: () => {
      isCut = true;
      destroyAll();
    },
    mend: () => {
      isCut = false;
    },
    close: () => {
      destroyAll();
      server.close();
    },
  };
}
