import { plainHeading } from '../price-list/column-headings';

/** What is moved in from a former program: customers with their machines, modules in stock, or models. */
export const MOVED_KINDS = ['customers', 'stock', 'models'] as const;
export type MovedKind = (typeof MOVED_KINDS)[number];

export const MOVED_ROLES = {
  customers: ['name', 'firstName', 'phone', 'email', 'maker', 'model', 'serial', 'note', 'day'],
  stock: ['label', 'quantity', 'cost', 'place', 'condition', 'serial'],
  models: ['maker', 'model', 'year', 'generation', 'form', 'slots', 'moduleMost', 'totalMost'],
} as const satisfies Record<MovedKind, readonly string[]>;
export type MovedRole = (typeof MOVED_ROLES)[MovedKind][number];
export type MovedColumns = Partial<Record<MovedRole, number>>;

/** Headings that name a role: English, German, French, Spanish, Dutch, Italian, Portuguese. */
const HEADINGS: Record<MovedRole, string> = {
  name: `name, customer, customer name, client, last name, surname, company, kunde, kundenname, nachname, firma, nom, societe, nombre, cliente, apellido, empresa, naam,
    klant, achternaam, bedrijf, cognome, azienda, nome, apelido`,
  firstName: 'first name, given name, forename, vorname, prenom, nombre de pila, voornaam, nome proprio',
  phone:
    'phone, telephone, tel, mobile, phone number, telefon, handy, mobil, telefonnummer, telephone portable, portable, telefono, movil, telefoon, gsm, mobiel, cellulare, telefone, telemovel',
  email: 'email, e mail, mail, e mail address, mail address, email address, courriel, correo, correo electronico',
  maker:
    'maker, manufacturer, brand, make, hersteller, marke, marque, fabricant, marca, fabricante, merk, fabrikant, produttore',
  model:
    'model, machine, device, type, product, modell, gerat, geraet, modele, appareil, modelo, equipo, toestel, apparaat, modello, dispositivo',
  serial:
    'serial, serial number, serial no, sn, s/n, seriennummer, seriennr, serien nr, numero de serie, n de serie, serienummer, numero di serie, matricola',
  note: 'note, notes, remark, remarks, comment, problem, complaint, bemerkung, notiz, notizen, fehler, remarque, commentaire, nota, notas, observaciones, opmerking, osservazioni, observacoes',
  day: 'date, day, created, since, last visit, datum, angelegt, letzter besuch, date de creation, fecha, data',
  label: `label, description, article, title, item, part, module, bezeichnung, beschreibung, artikel, designation, article designation, descripcion, articulo,
    omschrijving, artikelomschrijving, descrizione, articolo, descricao, artigo`,
  quantity:
    'quantity, qty, count, stock, pieces, menge, anzahl, bestand, stuck, quantite, qte, stock actuel, cantidad, existencias, aantal, voorraad, quantita, giacenza, quantidade',
  cost: 'cost, purchase price, price, buy price, einkaufspreis, ek, ek preis, preis, prix d achat, prix, precio de compra, precio, coste, inkoopprijs, prijs, prezzo di acquisto, prezzo, costo, preco de compra, preco, custo',
  place:
    'place, location, shelf, bin, drawer, lagerort, platz, fach, regal, emplacement, lieu, ubicacion, lugar, locatie, plaats, ubicazione, posizione, local',
  condition: 'condition, state, zustand, etat, estado, staat, condizione, stato',
  year: 'year, released, from, year from, baujahr, jahr, annee, ano, jaar, anno',
  generation:
    'generation, memory, memory type, ram type, ram, speichertyp, speicher, type de memoire, memoire, tipo de memoria, memoria, geheugentype, geheugen, tipo di memoria',
  form: 'form, form factor, kind, type, bauform, art, typ, format, formato, tipo, soort, vorm',
  slots: 'slots, sockets, memory slots, steckplatze, banke, emplacements, ranuras, sleuven, alloggiamenti, slot',
  moduleMost:
    'max per slot, per slot, max module, largest module, je steckplatz, max je modul, par emplacement, por ranura, per sleuf, per slot max',
  totalMost:
    'max, max memory, maximum, max ram, most memory, maximum memory, maximal, max speicher, memoire max, memoria maxima, max geheugen, memoria massima',
};

const named = new Map(
  Object.entries(HEADINGS).map(([role, names]) => [
    role,
    new Set(names.split(',').map((name) => name.replace(/\s+/g, ' ').trim())),
  ]),
);

/** Which column holds what, by the headings alone; each role has the first column that names it. */
export function guessMovedColumns(kind: MovedKind, headings: readonly string[]): MovedColumns {
  const columns: MovedColumns = {};
  const taken = new Set<number>();
  for (const role of MOVED_ROLES[kind]) {
    const at = headings.findIndex((heading, nr) => !taken.has(nr) && named.get(role)?.has(plainHeading(heading)));
    if (at < 0) continue;
    columns[role] = at;
    taken.add(at);
  }
  return columns;
}
