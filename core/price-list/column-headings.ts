import type { ColumnRole } from './column-roles';

/**
 * Headings that name a role on their own, as {@link plainHeading} makes them: lower case, without accents and signs. Of
 * lists in English, German, French, Spanish, Dutch, Italian and Portuguese, with their abbreviations.
 */
const HEADINGS: Record<ColumnRole, string> = {
  sku: `sku, item, item no, item number, item code, item id, article, article no, article number, code, product code, product no,
    product id, ref, reference, order no, order number, order code, stock code, no, nr, id, number,
    art nr, artnr, art no, artikelnummer, artikelnr, artikel nr, artikel, best nr, bestnr, bestellnummer, bestell nr,
    nummer, teilenummer, pos nr, ref article, code article, n article, no article, n ref, num, numero, n,
    referencia, ref articulo, codigo, cod, codigo articulo, art code, artikelcode, bestelnummer, bestelnr, bestelcode,
    codice, codice articolo, cod art, cod articolo, articolo, riferimento, rif, artigo, cod artigo, codigo artigo, referencia artigo`,
  title: `title, description, descr, desc, product, product name, product description, name, item name, item description,
    text, details, module, bezeichnung, bez, artikelbezeichnung, beschreibung, beschr, produkt, produktname, artikeltext,
    kurztext, benennung, designation, desig, libelle, intitule, produit, descriptif, descripcion, denominacion, producto,
    articulo, omschrijving, omschr, productnaam, benaming, descrizione, denominazione, prodotto, descricao, designacao,
    produto, nome`,
  price: `eur, euro, €, usd, $, gbp, £, chf, price, unit price, net, net price, cost, your price, dealer, dealer price, trade price, amount, buy price, our price,
    ek, ek netto, netto ek, hek, preis, nettopreis, netto, einkaufspreis, einzelpreis, stuckpreis, handlerpreis, haendlerpreis,
    vk netto, ep, prix, prix ht, pu ht, prix unitaire, prix unitaire ht, prix net, pu, tarif, tarif ht, pa ht, prix d'achat,
    precio, precio neto, precio unitario, pvd, coste, importe, precio compra, prijs, nettoprijs, inkoopprijs, stukprijs,
    prijs excl btw, prezzo, prezzo netto, prezzo unitario, costo, listino netto, preco, preco liquido, preco unitario, custo`,
  currency: `currency, curr, ccy, cur, wahrung, waehrung, whg, devise, monnaie, moneda, divisa, valuta, munt, moeda`,
  stock: `stock, qty, quantity, on hand, available, availability, avail, in stock, pcs in stock, qty available, free stock,
    bestand, lager, lagerbestand, verfugbar, verfuegbar, verfugbarkeit, menge, lagermenge, anzahl lager, dispo, disponible,
    disponibilite, qte, quantite, stock dispo, en stock, existencias, cantidad, cant, disponibilidad, voorraad, vrd,
    beschikbaar, aantal, giacenza, disponibile, disponibilita, quantita, qta, magazzino, quantidade, qtd, disponivel, estoque`,
  capacity: `capacity, cap, size, gb, memory, memory size, module size, kapazitat, kapazitaet, kap, speicher, grosse, groesse,
    speichergrosse, capacite, taille, capacidad, tamano, capaciteit, geheugen, grootte, capacita, dimensione, capacidade,
    tamanho`,
  modules: `modules, pcs, pieces, kit, kit of, pack, pack size, qty per kit, module count, modules per kit, modules in pack,
    stuck, stueck, stk, anzahl module, ve, barrettes, nb modules, modulos, piezas, stuks, moduli, pezzi, pz, pecas`,
  generation: `generation, gen, type, technology, memory type, ddr, ddr type, typ, speichertyp, technologie, technologia,
    type de memoire, tipo, tipo de memoria, tecnologia, geheugentype, tipo memoria, tipo di memoria`,
  form: `form, form factor, formfactor, bauform, format, socket, bauart, facteur de forme, formato, factor de forma,
    vormfactor, fattore di forma, fator de forma`,
  rate: `rate, speed, mhz, mt/s, mts, mt s, frequency, freq, clock, data rate, takt, taktrate, geschwindigkeit, frequenz,
    vitesse, frequence, velocidad, frecuencia, snelheid, frequentie, velocita, frequenza, velocidade, frequencia`,
  latency: `cl, cas, latency, cas latency, latenz, latence, latencia, latentie, latenza`,
  maker: `brand, maker, manufacturer, make, vendor, mfr, mfg, oem, hersteller, herst, marke, fabrikat, marque, fabricant,
    constructeur, marca, fabricante, merk, fabrikant, produttore, costruttore`,
  part: `part, part no, part nr, part number, partnumber, mpn, mfr part, mfr part no, mfr no, manufacturer part number,
    manufacturer no, manufacturer part no, herstellernummer, herstellernr, hersteller nr, herst nr, herstellerteilenummer,
    hersteller art nr, pn, p/n, ref fabricant, reference fabricant, ref constructeur, n fabricant, ref fabricante,
    referencia fabricante, numero de parte, num parte, fabrikantnummer, fabrikantcode, codice produttore, cod produttore,
    cod fabricante, codigo fabricante`,
  condition: `condition, cond, state, grade, zustand, zust, etat, estado, staat, conditie, condizione, stato, condicao`,
  origin: `origin, original, genuine, part type, source, original yes no, original or compatible, herkunft, ursprung,
    originalteil, original teil, teileart, qualitat, qualitaet, origine, type de piece, piece d'origine, procedencia,
    origen, herkomst, origineel, provenienza, originale, origem, proveniencia`,
  fits: `fits, fits model, fits models, for, for model, for models, model, models, suitable for, compatible, compatible with,
    compatible models, machine, machines, device, devices, fur, fuer, fur modell, fur modelle, modell, modelle, passend fur,
    geeignet fur, gerat, geraet, gerate, geraete, pour, pour modele, pour modeles, modele, modeles, compatible avec,
    appareil, appareils, para, para modelo, para modelos, modelo, modelos, compatible con, voor, voor model, voor modellen,
    modellen, geschikt voor, per modello, per modelli, modello, modelli, compatibile con, compativel com`,
};

/** A heading as it is looked up: lower case, without accents, dots, dashes and what else stands around words. */
export function plainHeading(heading: string): string {
  return heading
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .replace(/[º°]/g, '')
    .replace(/[’]/g, "'")
    .replace(/[.\-–_*:()[\]#]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

const named = new Map<ColumnRole, ReadonlySet<string>>(
  Object.entries(HEADINGS).map(([role, names]) => [
    role as ColumnRole,
    new Set(names.split(',').map((name) => name.replace(/\s+/g, ' ').trim())),
  ]),
);

/** What does not belong to a name: a currency, that a price is net of tax, a unit. */
const BESIDE = /\s*(?:[€$£]|\b(?:eur|usd|gbp|chf|ht|netto|net|excl|exkl|ohne mwst|stk|gb|mhz|mt\/s)\b)\s*/g;

/** Is the whole heading a role's name, but for a currency or unit beside it? @param heading as plainHeading makes it */
export function isHeadingOf(role: ColumnRole, heading: string): boolean {
  const names = named.get(role);
  if (names === undefined) return false;
  return names.has(heading) || names.has(heading.replace(BESIDE, ' ').replace(/\s+/g, ' ').trim());
}
