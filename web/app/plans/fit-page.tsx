import { type CSSProperties, type ReactNode, useLayoutEffect, useRef, useState } from "react";

/** An A4 page within its margins, as app.css has them, millimetres. */
const PAGE = { width: 190, height: 277 } as const;
/** What breaks between pages may leave empty of each page but the last, millimetres. */
const LOST_AT_BREAK = 30;
/** Room that a printer's rounding may take, millimetres. */
const SPARE = 4;
/** Type sizes that are tried, points: what does not fit with the smallest goes on to another page. */
const SIZES = { standard: { least: 7.5, most: 11 }, large: { least: 12, most: 18 } } as const;
/** Type grows by so much at a time, points. */
const STEP = 0.25;

interface Props {
  /** Whether it is laid out in large type. */
  readonly large: boolean;
  /** How many pages there are to fill. */
  readonly pages?: number;
  readonly children: ReactNode;
}

/** Whether a copy of a page fits on paper in some type size. */
function fits(copy: HTMLElement, size: number, pages: number): boolean {
  copy.style.setProperty("--print-size", `${size}pt`);
  const millimetre = copy.offsetWidth / PAGE.width;
  return copy.scrollHeight <= millimetre * (pages * PAGE.height - (pages - 1) * LOST_AT_BREAK - SPARE);
}

/** The largest type in which a page fits on paper, points: tried on a copy as wide as the paper, out of sight. */
function printSize(page: HTMLElement, { least, most }: (typeof SIZES)["large" | "standard"], pages: number): number {
  const copy = page.cloneNode(true) as HTMLElement;
  copy.classList.add("on-paper");
  copy.setAttribute("aria-hidden", "true");
  // The copy's pictures are loaded again: until then they take the room that they will take.
  const pictures = page.querySelectorAll("img");
  copy.querySelectorAll("img").forEach((picture, i) => {
    const { naturalWidth, naturalHeight } = pictures[i] ?? picture;
    if (naturalHeight > 0) picture.style.aspectRatio = `${naturalWidth} / ${naturalHeight}`;
  });
  document.body.append(copy);
  let [low, high] = [0, Math.round((most - least) / STEP)];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (fits(copy, least + middle * STEP, pages)) low = middle;
    else high = middle - 1;
  }
  copy.remove();
  return least + low * STEP;
}

/** A printout that is as large as its page lets it be: in print its type is the largest that fits. */
export function FitPage({ large, pages = 1, children }: Props) {
  const page = useRef<HTMLDivElement>(null);
  const sizes = SIZES[large ? "large" : "standard"];
  const [size, setSize] = useState<number>(sizes.least);
  // What is printed may change with every render; the same size again changes nothing.
  useLayoutEffect(() => {
    let gone = false;
    const measure = () => {
      if (!gone && page.current) setSize(printSize(page.current, sizes, pages));
    };
    measure();
    // Text is measured in its own typeface, and pictures at their own size.
    const pictures = [...(page.current?.querySelectorAll("img") ?? [])].map((picture) => picture.decode().catch(() => undefined));
    void Promise.all([document.fonts.ready, ...pictures]).then(measure);
    return () => {
      gone = true;
    };
  }, [sizes, pages]);
  return (
    <div ref={page} className="printout" style={{ "--print-size": `${size}pt` } as CSSProperties}>
      {children}
    </div>
  );
}
