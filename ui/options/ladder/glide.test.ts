import { Gliding } from './glide';

interface Animated {
  key: string;
  frames: Keyframe[];
}

let animated: Animated[] = [];
const mark = (key: string) =>
  ({ animate: (frames: Keyframe[]) => animated.push({ key, frames }) }) as unknown as Element;
const moving = () => false;

beforeEach(() => {
  animated = [];
});

/** A picture that was drawn once, so that what comes now is a change. */
function drawn(): Gliding {
  const gliding = new Gliding();
  gliding.add({ mark: mark('first'), from: null });
  gliding.start(moving);
  return gliding;
}

describe('what a drawing moves', () => {
  it('stands at once in the first picture', () => {
    drawn();
    expect(animated).toEqual([]);
  });

  it('glides from where it stood, and what is new appears', () => {
    const gliding = drawn();
    gliding.add({ mark: mark('a'), from: { x: 3, y: 4 } });
    gliding.add({ mark: mark('b'), from: null });
    gliding.start(moving);
    expect(animated).toEqual([
      { key: 'a', frames: [{ transform: 'translate(3px, 4px)' }, {}] },
      { key: 'b', frames: [{ opacity: 0 }, {}] },
    ]);
    gliding.start(moving);
    expect(animated).toHaveLength(2);
  });

  it('does not where less motion is asked for, nor where so much moves that no eye could follow', () => {
    const gliding = drawn();
    gliding.add({ mark: mark('a'), from: { x: 3, y: 4 } });
    gliding.start(() => true);
    for (let nr = 0; nr < 25; nr++) gliding.add({ mark: mark(`m${nr}`), from: { x: nr, y: 0 } });
    gliding.start(moving);
    expect(animated).toEqual([]);
    for (let nr = 0; nr < 24; nr++) gliding.add({ mark: mark(`m${nr}`), from: { x: nr, y: 0 } });
    gliding.start(moving);
    expect(animated).toHaveLength(24);
  });

  it('a picture that begins empty has its first marks stand at once', () => {
    const gliding = new Gliding();
    gliding.start(moving);
    gliding.add({ mark: mark('a'), from: null });
    gliding.start(moving);
    expect(animated).toEqual([]);
  });
});
