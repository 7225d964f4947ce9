import { CloudOff, RotateCw } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useRouteError } from 'react-router';
import { Button } from '../kit/button.tsx';
import { ApiProblem } from './api.ts';

const Center = ({ children }: { children: ReactNode }) => (
  <div className="mx-auto grid max-w-xl gap-3 px-5 py-16">{children}</div>
);

/** Waiting for an answer: a thread that is not there yet. */
export const Loading = ({ what }: { what: string }) => (
  <div role="status" className="grid gap-4 px-5 py-8">
    <p className="label">Fetching {what}</p>
    {[0, 1, 2].map((n) => (
      <div key={n} className="h-px w-full animate-pulse border-t-2 border-dotted border-rule-strong" />
    ))}
  </div>
);

/** A question that failed: what happened, and the way to try again. */
export function Failed({ error, what, retry }: { error: Error; what: string; retry: () => void }) {
  const refused = error instanceof ApiProblem;
  return (
    <Center>
      <h1 className="flex items-center gap-3 text-2xl font-bold">
        <CloudOff aria-hidden size={26} /> {refused ? error.problem.title : 'No answer from the server'}
      </h1>
      <p>
        {refused
          ? error.problem.detail
          : `${what} could not be fetched. Nothing you entered is lost; it stays on this device.`}
      </p>
      {!refused && (
        <Button onClick={retry} className="justify-self-start">
          <RotateCw aria-hidden size={18} /> Try again
        </Button>
      )}
      <Link className="justify-self-start underline" to="/systems">
        To the systems
      </Link>
    </Center>
  );
}

export const NowhereScreen = () => (
  <Center>
    <h1 className="text-2xl font-bold">There is no such page</h1>
    <Link className="justify-self-start underline" to="/watch">
      To the Watch
    </Link>
  </Center>
);

/** What browsers say of a part of the app that is no longer there: a newer version has taken its place. */
const isOutdated = (error: unknown): boolean =>
  error instanceof Error && /dynamically imported module|module script failed|Unable to preload/i.test(error.message);

/** The last resort: what was typed is on the device, so a reload is safe. */
export function CrashScreen() {
  const error = useRouteError();
  if (isOutdated(error) && !navigator.onLine) {
    return (
      <Center>
        <h1 className="text-2xl font-bold">This screen is not on the device yet</h1>
        <p>There is no signal to fetch it. What you entered is kept on this device.</p>
        <Button className="justify-self-start" onClick={() => window.history.back()}>
          Go back
        </Button>
        <Button className="justify-self-start" onClick={() => window.location.reload()}>
          Try again
        </Button>
      </Center>
    );
  }
  if (isOutdated(error)) {
    return (
      <Center>
        <h1 className="text-2xl font-bold">There is a newer version</h1>
        <p>What you entered is kept on this device. Reload to go on with the new version.</p>
        <Button className="justify-self-start" onClick={() => window.location.reload()}>
          Reload
        </Button>
      </Center>
    );
  }
  return (
    <Center>
      <h1 className="text-2xl font-bold">This screen broke</h1>
      <p>What you entered is kept on this device. Reload to go on.</p>
      <p className="label break-words">{error instanceof Error ? error.message : String(error)}</p>
      <Button className="justify-self-start" onClick={() => window.location.reload()}>
        Reload
      </Button>
    </Center>
  );
}
