import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from "react";
import { useTheme } from "../ui/theme";
import { Sheet, SheetContext } from "./sheet";

/** Puts a sheet over what lies on a grid, which has to be a positioned element that isolates its layers. */
export function SheetOver({ children }: { children: ReactNode }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [sheet] = useState(() => new Sheet());
  const theme = useTheme((s) => s.theme);

  useLayoutEffect(() => {
    sheet.on(canvas.current);
    return () => sheet.on(null);
  }, [sheet]);

  // whatever was rendered may lie elsewhere than before
  useLayoutEffect(() => sheet.lookAnew());
  useEffect(() => sheet.lookAnew(), [sheet, theme]);

  useEffect(() => {
    const sizes = new ResizeObserver(() => sheet.lookAnew());
    sizes.observe(canvas.current!);
    void document.fonts.ready.then(() => sheet.lookAnew());
    return () => sizes.disconnect();
  }, [sheet]);

  return (
    <SheetContext value={sheet}>
      {children}
      <canvas ref={canvas} aria-hidden className="pointer-events-none absolute inset-0 z-1 h-full w-full" />
    </SheetContext>
  );
}
