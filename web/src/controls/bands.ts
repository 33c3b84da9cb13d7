/** Where something lies, in CSS pixels. */
export interface Place {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What lies side by side, and the room of all of it. */
export interface Band<T extends Place> {
  places: T[];
  room: Place;
}

/** More canvases than this cost more than they save. */
const MOST = 12;

/**
 * Parts what lies on a page into bands from the top down, between which it can be cut without cutting anything: of a
 * canvas, all is copied and laid over the page again where a little of it changed, so many small ones are better than a large one.
 */
export function bandsOf<T extends Place>(places: Iterable<T>): Band<T>[] {
  const sorted = [...places].sort((a, b) => a.y - b.y);
  const bottom = Math.max(...sorted.map(({ y, height }) => y + height));
  const least = sorted.length ? (bottom - sorted[0].y) / MOST : 0;
  const bands: Band<T>[] = [];
  for (const place of sorted) {
    const last = bands.at(-1);
    if (last && (place.y < last.room.y + last.room.height || last.room.height < least)) {
      last.places.push(place);
      last.room = around(last.room, place);
    } else {
      const { x, y, width, height } = place;
      bands.push({ places: [place], room: { x, y, width, height } });
    }
  }
  return bands;
}

function around(a: Place, b: Place): Place {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  const [right, bottom] = [Math.max(a.x + a.width, b.x + b.width), Math.max(a.y + a.height, b.y + b.height)];
  return { x, y, width: right - x, height: bottom - y };
}
