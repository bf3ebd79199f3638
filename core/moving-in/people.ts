/** By what somebody is known again. */
interface Reached {
  name: string;
  phone: string;
  email: string;
}

/** A text as it is compared: without case, accents and signs. */
const knownText = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** Whom rows name, and which machines they have already. */
export class People {
  readonly #byMail = new Map<string, number>();
  readonly #byPhone = new Map<string, number>();
  readonly #byName = new Map<string, number>();
  readonly #machines = new Set<string>();

  /** The person of a mail address, else of a telephone and name, else of a name alone where nothing else is told. */
  find({ name, phone, email }: Reached): number | undefined {
    if (email !== '') {
      const byMail = this.#byMail.get(email.toLowerCase());
      if (byMail !== undefined) return byMail;
    }
    const digits = phone.replace(/\D/g, '');
    if (digits !== '') {
      const byPhone = this.#byPhone.get(`${digits} ${knownText(name)}`);
      if (byPhone !== undefined) return byPhone;
    }
    return email === '' && digits === '' && name !== '' ? this.#byName.get(knownText(name)) : undefined;
  }

  learn(person: number, { name, phone, email }: Reached): void {
    if (email !== '') this.#byMail.set(email.toLowerCase(), person);
    const digits = phone.replace(/\D/g, '');
    if (digits !== '') this.#byPhone.set(`${digits} ${knownText(name)}`, person);
    if (email === '' && digits === '' && name !== '') this.#byName.set(knownText(name), person);
  }

  /** Was this machine of a person noted before? From now on it is. A machine without a serial is told by its name. */
  notedMachine(person: number, { maker, model, serial }: { maker: string; model: string; serial: string }): boolean {
    const machine = `${person} ${serial === '' ? `name ${knownText(`${maker} ${model}`)}` : `serial ${knownText(serial)}`}`;
    const had = this.#machines.has(machine);
    this.#machines.add(machine);
    return had;
  }
}
