'use client';
import { createContext, type RefObject, useContext, useLayoutEffect, useRef } from 'react';

/** ms, as all that moves here */
const GLIDES_MS = 160;
/** Where more changes at once the eye follows none of it: the picture is simply the new one, and there the sooner. */
const MOST_GLIDING = 24;

interface Point {
  x: number;
  y: number;
}

interface Moved {
  mark: Element;
  /** where it stood; null: it is new */
  from: Point | null;
}

const placed = ({ x, y }: Point): string => `translate(${x}px, ${y}px)`;

/** Marks that a drawing moved or made since the last one. */
export class Gliding {
  #moved: Moved[] = [];
  #isFirst = true;

  add(moved: Moved): void {
    this.#moved.push(moved);
  }

  /** Lets what moved glide and what is new appear, unless it is the first picture, too many, or less motion is asked for. */
  start(isStill: () => boolean): void {
    const moved = this.#moved;
    this.#moved = [];
    const isFirst = this.#isFirst && moved.length > 0;
    if (isFirst) this.#isFirst = false;
    if (isFirst || moved.length === 0 || moved.length > MOST_GLIDING || isStill()) return;
    for (const { mark, from } of moved) {
      const start: Keyframe = from === null ? { opacity: 0 } : { transform: placed(from) };
      mark.animate([start, {}], { duration: GLIDES_MS, easing: 'ease-out' });
    }
  }
}

/** The gliding of the picture that a mark is in; null: nothing glides there. */
export const GlidingContext = createContext<Gliding | null>(null);

/** Says where a mark stands, so that it glides there from where it stood. */
export function useGlide(mark: RefObject<Element | null>, x: number, y: number): void {
  const gliding = useContext(GlidingContext);
  const before = useRef<Point | null>(null);
  useLayoutEffect(() => {
    const from = before.current;
    before.current = { x, y };
    if (mark.current === null || (from !== null && from.x === x && from.y === y)) return;
    gliding?.add({ mark: mark.current, from });
  }, [mark, x, y, gliding]);
}
