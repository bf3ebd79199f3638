import { readListing } from '../core/reading/listing';
for (const t of ['Brisk & Daughters 4x8GB DDR5-5600 CL39 DIMM kit, lot Q4226','Corrick 8GB DDR5-5600 CL39 DIMM','Hallam 2x16GB DDR4-3200 CL22 SO-DIMM kit']) console.log(JSON.stringify(readListing(t)));
const t0=performance.now(); for(let i=0;i<20000;i++) readListing(`Hallam 2x16GB DDR4-3200 CL22 SO-DIMM kit, lot Q${i}`); console.log((performance.now()-t0)/20000*1000,'us');
