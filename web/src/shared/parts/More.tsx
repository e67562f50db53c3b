import Button from "@mui/material/Button";
import { useEffect, useRef } from "react";

/** The end of a list that has more pages: the next one is read when this comes near, or at a press. */
export function More({ more, loading }: { more?: () => void; loading: boolean }) {
  const end = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = end.current;
    if (!element || !more || loading) {
      return;
    }
    const observer = new IntersectionObserver((seen) => seen.some((one) => one.isIntersecting) && more(), {
      rootMargin: "600px",
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [more, loading]);
  return more ? (
    <div ref={end} className="more">
      <Button onClick={more} disabled={loading}>
        {loading ? "Loading more …" : "More"}
      </Button>
    </div>
  ) : null;
}
