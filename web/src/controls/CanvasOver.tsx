import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from "react";
import { useTheme } from "../ui/theme";
import { PageCanvas, PageCanvasContext } from "./pageCanvas";

/** Puts what is drawn on over what lies on a grid, which has to be a positioned element that isolates its layers. */
export function CanvasOver({ children }: { children: ReactNode }) {
  const element = useRef<HTMLDivElement>(null);
  const [canvas] = useState(() => new PageCanvas());
  const theme = useTheme((s) => s.theme);

  useLayoutEffect(() => {
    canvas.on(element.current);
    return () => canvas.on(null);
  }, [canvas]);

  // whatever was rendered may lie elsewhere than before
  useLayoutEffect(() => canvas.lookAnew());
  useEffect(() => canvas.lookAnew(), [canvas, theme]);

  useEffect(() => {
    const lookAnew = () => canvas.lookAnew();
    const sizes = new ResizeObserver(lookAnew);
    sizes.observe(element.current!);
    // not the promise of fonts that are ready: to be asked for it, browsers lay the whole page out at once
    document.fonts.addEventListener("loadingdone", lookAnew);
    return () => {
      sizes.disconnect();
      document.fonts.removeEventListener("loadingdone", lookAnew);
    };
  }, [canvas]);

  return (
    <PageCanvasContext value={canvas}>
      {children}
      <div ref={element} aria-hidden className="pointer-events-none absolute inset-0 z-1" />
    </PageCanvasContext>
  );
}
