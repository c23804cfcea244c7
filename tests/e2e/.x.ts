import { DEMOS } from '../../core/design'
import { createYearEngine } from '../../core/year'
const demo = DEMOS[0]!
const tunnel = {
    ...demo,
    shape: { ...demo.shape, form: 'gable', ridgeAtM: 2.3, backWallM: 0.2, kneeWallM: 0.2, ridgeHeightM: 2.6, beds: [] },
    skin: { ...demo.skin, glazing: 'film-1', poleSlope: 'glazed', endsGlazedShare: 0.9, wall: [{ material: 'plywood', thicknessM: 0.01 }], cover: { ...demo.skin.cover, id: 'none' }, edge: { ...demo.skin.edge, thicknessM: 0 } },
    store: { ...demo.store, barrels: { ...demo.store.barrels, count: 0 }, massWall: { ...demo.store.massWall, thicknessM: 0 }, floor: { material: 'soil', thicknessM: 0 } },
    breathe: { ...demo.breathe, leakage: 'usual' },
  } as any
const e=createYearEngine()
for (const d of [tunnel]) { const {series:s,site}=e.run(d); const l:number[]=[]; for(let k=0;k<59;k++){ let m=0; for(let h=k*24;h<k*24+12;h++) if(site.dryBulbC[h]<site.dryBulbC[k*24+m]) m=h-k*24; const h=k*24+m; if(site.cloud[h]<.5) l.push(s.airC[h]-site.dryBulbC[h]) } l.sort((a,b)=>a-b); console.log('lift', l.map(v=>v.toFixed(1)).join(' ')); const h=e.run(d).answers.coldestNight.hour; console.log('floor',s.floorC[h],s.soilC[h],s.glazingC[h],s.airC[h],site.dryBulbC[h], s.losses.map(x=>x[h].toFixed(0)).join(' ')) }
const {series:s,site}=e.run(demo); const w:number[]=[]; for(let k=0;k<59;k++){const d=s.waterC.subarray(k*24,k*24+24); w.push(Math.max(...d)-Math.min(...d))}; console.log('swing',w.map((v,k)=>v.toFixed(1)).join(' '))
const g:number[]=[]; for(let k=0;k<59;k++){g.push(site.globalWm2.subarray(k*24,k*24+24).reduce((a,b)=>a+b,0)/1000)}; console.log(g.map(v=>v.toFixed(1)).join(' '))
