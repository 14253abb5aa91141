import { useEffect, useState } from "react";

/**
 * The server's time in milliseconds, each half second anew; null until the page is in the browser.
 *
 * @param offset milliseconds to add to this device's time for the server's
 */
export function useNow(offset: number): number | null {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  return now === null ? null : now + offset;
}
