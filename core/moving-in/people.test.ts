import { People } from './people';

const nobody = { name: '', phone: '', email: '' };
const hedda = { name: 'Hedda Vane', phone: '0551-100', email: 'hedda@vane.example' };

describe('somebody is known again', () => {
  const people = new People();
  people.learn(1, hedda);
  people.learn(2, { ...nobody, name: 'Orin Pell' });

  it.each([
    ['by the mail address, whatever its case', { ...nobody, email: 'HEDDA@vane.example' }, 1],
    ['by telephone and name, however they are written', { ...nobody, name: 'hedda  vane', phone: '(0551) 100' }, 1],
    ['by the name alone where nothing else is told of either', { ...nobody, name: 'Órin Pell' }, 2],
    ['not by the telephone of another name', { ...nobody, name: 'Tam Vane', phone: '0551 100' }, undefined],
    ['not by the name alone where the other has more', { ...nobody, name: 'Hedda Vane' }, undefined],
    ['not by a name where another telephone is told', { ...nobody, name: 'Orin Pell', phone: '1' }, undefined],
    ['not by nothing', nobody, undefined],
  ])('%s', (_, reached, person) => {
    expect(people.find(reached)).toBe(person);
  });
});

describe('a machine is noted once of a person', () => {
  const people = new People();
  const noted = (person: number, maker: string, model: string, serial: string) =>
    people.notedMachine(person, { maker, model, serial });

  it('by its serial, whatever it is called', () => {
    expect(noted(1, 'Tarnholt', 'Lumen 5', 'LM5-77')).toBe(false);
    expect(noted(1, '', 'laptop', 'lm5 77')).toBe(true);
    expect(noted(2, 'Tarnholt', 'Lumen 5', 'LM5-77')).toBe(false);
  });

  it('and without one by its name', () => {
    expect(noted(1, 'Tarnholt', 'Mast', '')).toBe(false);
    expect(noted(1, 'TARNHOLT', 'mast', '')).toBe(true);
    expect(noted(1, 'Tarnholt', 'Mast 2', '')).toBe(false);
  });
});
