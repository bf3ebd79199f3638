import { ListReading } from '../outward/list-reading';
import { priceListPieces } from '../bench/price-list';
for (const kind of (process.argv[2]?[process.argv[2]]:['structured','titles']) as any) {
  const r = new ListReading({ listId:1, encoding:'utf-8', told:null, remembered:null, fixes:{}, ground:{ terms:{currency:'EUR',withTax:false,taxBp:0,taxBack:true,shipping:{kind:'none'}}, currency:'EUR', day:'2026-11-25', rates:[] } });
  const all=[...priceListPieces({rows:200000,kind})];
  const t=performance.now(); let rows=0, bytes=0; let end: any, specs=0;
  for (const [i,p] of all.entries()) { const x=await r.take(p, i===all.length-1); if(!x.ok) throw new Error(x.sentence); rows+=x.piece.rows; bytes+=x.piece.lines.length; specs+=x.piece.specs.length; end=x.piece.end; if(i===1) console.log(new TextDecoder().decode(x.piece.lines).slice(0,400)); }
  const s=(performance.now()-t)/1000; console.log(kind, rows, bytes, specs, s.toFixed(2),'s', (rows/s).toFixed(0),'/s', JSON.stringify(end).slice(0,300), process.memoryUsage().rss/1e6);
}
