import { Timer } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../kit/button.tsx';

/** Times something by hand and puts the seconds into a field. It goes on by the clock, whatever else happens on the screen. */
export function Stopwatch({ name, onTaken }: { name: string; onTaken: (seconds: number) => void }) {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (since === null) return undefined;
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, [since]);
  const seconds = since === null ? 0 : Math.max(0, Math.round((now - since) / 1000));
  const press = () => {
    if (since === null) {
      setNow(Date.now());
      setSince(Date.now());
      return;
    }
    onTaken(Math.max(1, Math.round((Date.now() - since) / 1000)));
    setSince(null);
  };
  return (
    <Button
      aria-label={since === null ? `Start the stopwatch: ${name}` : `Stop at ${seconds} s: ${name}`}
      onClick={press}
    >
      <Timer aria-hidden size={18} />
      {since === null ? 'Stopwatch' : `${seconds} s, stop`}
    </Button>
  );
}
