/** What a key of a report is about. */
export type TextFieldName =
  | 'size'
  | 'type'
  | 'speed'
  | 'configured'
  | 'form'
  | 'used'
  | 'maker'
  | 'part'
  | 'serial'
  | 'status'
  | 'locator'
  | 'bank'
  | 'ranks'
  | 'latency'
  | 'voltage'
  | 'total-width'
  | 'data-width'
  | 'ecc'
  | 'buffering'
  | 'detail'
  | 'installed'
  | 'visible'
  | 'slots'
  | 'most'
  | 'system-maker'
  | 'system-model'
  | 'cpu'
  | 'os'
  | 'system-type'
  | 'board-maker'
  | 'board-model'
  | 'firmware';

const key = (source: string): RegExp => new RegExp(`^(?:${source})$`);

/**
 * Keys of reports in English, German, French, Spanish, Dutch, Italian and Portuguese, folded, and what they are about: the
 * longer before those they hold.
 */
const FIELDS: readonly (readonly [RegExp, TextFieldName])[] = [
  [
    key(
      '(?:total |gesamter? |verfugbarer )?(?:physical memory|physischer (?:arbeits)?speicher)(?: \\(ram\\))?(?: total)?|total physical memory|gesamter physischer speicher(?: \\(ram\\))?|memoire physique(?: \\(ram\\))? totale|memoria fisica total|totaal fysiek geheugen|memoria fisica totale|total (?:system )?memory|usable (?:ram|memory)|memory usable|memtotal|mem total|verwendbar(?:er ram)?',
    ),
    'visible',
  ],
  [
    key(
      'installed physical memory(?: \\(ram\\))?|installed (?:memory|ram)(?: \\(ram\\))?|installierter? (?:physischer )?(?:arbeits)?(?:speicher|ram)(?: \\(ram\\))?|memoire (?:physique |ram )?(?:\\(ram\\) )?installee(?: \\(ram\\))?|ram installee|memoria (?:fisica |ram )?instalada(?: \\(ram\\))?|ram instalada|geinstalleerd (?:fysiek )?(?:geheugen|ram)(?:-?geheugen)?(?: \\(ram\\))?|memoria (?:fisica )?installata(?: \\(ram\\))?|ram installata|memoria fisica \\(ram\\) instalada|system memory(?: size)?|total installed memory|gesamtspeicher|arbeitsspeicher|memory|ram|memoire|memoria|geheugen',
    ),
    'installed',
  ],
  [
    key(
      '(?:memory )?slots used|(?:verwendete|belegte) steckplatze|emplacements utilises|ranuras (?:usadas|utilizadas|en uso)|gebruikte sleuven|slot utilizzati|slots (?:usados|utilizados)|slots? in use|used slots',
    ),
    'used',
  ],
  [
    key(
      "(?:number of|total|anzahl(?: der)?|nombre d[e']) ?(?:memory |speicher|dimm )?(?:slots?|steckplatze|emplacements|sockets)|memory slots|speichersteckplatze|numero de ranuras|aantal sleuven|numero di slot|numero de slots|number of devices",
    ),
    'slots',
  ],
  [
    key(
      'max(?:imum|imale?r?|imum memory)? ?\\.?(?:memory|speicher|capacity|kapazitat|memory capacity|supported memory)(?: size)?|maximum capacity|maximale kapazitat|capacite maximale|capacidad maxima|maximale capaciteit|capacita massima|capacidade maxima',
    ),
    'most',
  ],
  [
    key(
      '(?:memory |module |dimm )?(?:size|capacity)|(?:speicher|modul)?(?:grosse|kapazitat)|taille(?: du module)?|capacite|tamano|capacidade?|grootte|capaciteit|dimensione|dimensioni|capacita|tamanho|module size',
    ),
    'size',
  ],
  [
    key(
      'configured (?:memory |clock )?speed|current speed|(?:running|actual|effective|operating) (?:speed|frequency|rate|clock)|aktueller takt|aktuelle geschwindigkeit|konfigurierte geschwindigkeit|vitesse (?:actuelle|configuree)|velocidad (?:actual|configurada)|huidige snelheid|velocita (?:attuale|configurata)|velocidade (?:atual|configurada)|memory (?:clock )?frequency|dram frequency',
    ),
    'configured',
  ],
  [
    key(
      '(?:memory |ram |module |max(?:imum|\\.)? |rated |nominal |data )*(?:speed|frequency|rate|clock)|geschwindigkeit|(?:speicher)?takt(?:rate)?|nenntakt|vitesse|velocidad|snelheid|velocita|velocidade|frequenz|frequence|frecuencia|frequentie|frequenza|frequencia|max bandwidth|bandwidth|bandbreite',
    ),
    'speed',
  ],
  [
    key(
      'form(?: factor)?|formfaktor|bauform|facteur de forme|factor de forma|vormfactor|fattore di forma|fator de forma|module format|modulformat|format|formato|formaat|package',
    ),
    'form',
  ],
  [
    key(
      '(?:memory |module |dimm |ram )?type|(?:speicher|modul)?typ|type de memoire|tipo(?: de memoria| di memoria)?|soort|geheugentype|technology|technologie|generation|memory technology',
    ),
    'type',
  ],
  [key('(?:bank|bank label|bank locator)'), 'bank'],
  [
    key(
      '(?:module )?(?:manufacturer|vendor|brand|maker)(?: name)?|(?:modul)?hersteller|fabricante?|fabrikant|produttore|marke|marque|marca|merk',
    ),
    'maker',
  ],
  [
    key(
      '(?:module )?part(?: ?(?:number|no\\.?|#))?|p\\/n|teile?nummer|artikelnummer|bestellnummer|numero de (?:piece|pieza|parte|peca)|reference|referencia|onderdeelnummer|codice (?:prodotto|parte|articolo)|numero (?:di )?parte|product code|module name',
    ),
    'part',
  ],
  [
    key(
      '(?:module )?serial(?: ?(?:number|no\\.?|#))?(?: \\(system\\))?|s\\/n|seriennummer|numero de serie|serienummer|numero di serie|numero de serie',
    ),
    'serial',
  ],
  [key('status|state|etat|estado|stato|zustand|presence'), 'status'],
  [
    key(
      '(?:device |slot |module )?(?:locator|location|position|label)|(?:memory )?slot(?: ?#| number| name)?|socket|dimm(?: ?#| slot)?|steckplatz|einbauort|emplacement|ranura|sleuf|alloggiamento|posizione|posicion|posicao',
    ),
    'locator',
  ],
  [key('(?:number of )?ranks?|rang(?:e|s)?|rangos?|ranghi'), 'ranks'],
  [key('cas(?:#)?(?: latency)?(?: \\(cl\\))?|cl|cas-latenz|latency'), 'latency'],
  [
    key(
      '(?:module |configured |nominal |supply |dram )?voltage|spannung|tension|voltaje|tensione|spanning|voltagem|tensao',
    ),
    'voltage',
  ],
  [
    key('total width|gesamtbreite|largeur totale|ancho total|totale breedte|larghezza totale|largura total'),
    'total-width',
  ],
  [
    key(
      'data width|datenbreite|largeur des donnees|ancho de datos|databreedte|larghezza dati|largura de dados|bus width|width',
    ),
    'data-width',
  ],
  [
    key(
      "(?:memory )?(?:error correction|ecc)(?: type| mode| status)?|ecc-?(?:status|modus|unterstutzung)|fehlerkorrektur|correction d'erreurs?|correccion de errores|foutcorrectie|correzione (?:degli )?errori|correcao de erros|correction",
    ),
    'ecc',
  ],
  [key('buffered|registered|buffering|registriert|module type detail'), 'buffering'],
  [key('type detail|memory type detail|typdetail'), 'detail'],
  [
    key(
      'system manufacturer|systemhersteller|fabricant du systeme|fabricante del sistema|systeemfabrikant|produttore (?:del )?sistema|fabricante do sistema|computer manufacturer|hardware vendor',
    ),
    'system-maker',
  ],
  [
    key(
      'system model|systemmodell|modele du systeme|modelo del sistema|systeemmodel|modello (?:di )?sistema|modelo do sistema|model name|modellname|nom du modele|nombre del modelo|modelnaam|nome modello|nome do modelo|product name|hardware model|computer model|host model|host',
    ),
    'system-model',
  ],
  [
    key(
      'processor(?: name)?|prozessor(?:name)?|processeur|procesador|processore|processador|cpu|chip|cpu name|cpu model|cpu type|model name of the cpu',
    ),
    'cpu',
  ],
  [
    key(
      "os(?: name)?|operating system(?: name)?|betriebssystem(?:name)?|nom du systeme d'exploitation|systeme d'exploitation|(?:nombre del )?sistema operativo|(?:naam van )?(?:het )?besturingssysteem|nome (?:do )?(?:sistema operativo|so)|nome sistema operativo|system software|system version|systemversion|distribution",
    ),
    'os',
  ],
  [
    key(
      'system type|systemtyp|type du systeme|tipo de sistema|systeemtype|tipo (?:di )?sistema|tipo de sistema|os (?:type|architecture)|architecture',
    ),
    'system-type',
  ],
  [
    key(
      'base ?board manufacturer|hauptplatinenhersteller|mainboard manufacturer|motherboard vendor|fabricant de la carte (?:mere|de base)|fabricante de la placa base|fabrikant van (?:moederbord|basisbord)',
    ),
    'board-maker',
  ],
  [
    key(
      'base ?board (?:product|model|name)|hauptplatinenprodukt|mainboard(?: model)?|motherboard(?: name| model)?|produit de la carte (?:mere|de base)|producto de la placa base',
    ),
    'board-model',
  ],
  [
    key(
      'bios version(?:\\/date)?|bios-version(?:\\/-datum)?|version du bios(?:\\/date)?|version(?:e)? (?:\\/ ?data )?(?:de |del |do )?bios(?:\\/(?:fecha|data|datum))?|bios-versie(?:\\/datum)?|versao\\/data do bios|firmware(?: version)?|bios|system firmware version',
    ),
    'firmware',
  ],
];

const known = new Map<string, TextFieldName | null>();
/** Keys kept in mind: a report repeats its own. */
const MOST_KNOWN = 2_000;

/** What a folded key is about; null where no table has it. */
export function fieldOf(folded: string): TextFieldName | null {
  const before = known.get(folded);
  if (before !== undefined) return before;
  const found = FIELDS.find(([pattern]) => pattern.test(folded))?.[1] ?? null;
  if (known.size < MOST_KNOWN) known.set(folded, found);
  return found;
}
