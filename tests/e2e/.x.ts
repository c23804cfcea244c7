import { DEMOS } from '../../core/design'
import { createYearEngine } from '../../core/year'
for (const demo of DEMOS) {
 const r = createYearEngine().run(demo); const a=r.answers; 
 console.log(demo.name, a.coldestNight.insideC, a.coldestNight.at, a.coldestNight.outsideC, a.freeRunning, 'hot',a.hottestAfternoon.insideC,a.hottestAfternoon.outsideC, a.hoursAboveLimit,'ice', Math.max(...r.series.iceShare).toFixed(2), a.hoursDamp, a.topUp, a.worstNightLosses.map(l=>l.name+(l.share*100).toFixed(0)).join(' '),a.ledger.closure)
 console.log(a.months.map(m=>m.insideMinC.toFixed(1)+'/'+m.outsideMinC.toFixed(1)+'/'+m.dli.toFixed(1)).join(' '))
 for (const [name,patch] of Object.entries({ film:{glazing:'film-1',cover:{...demo.skin.cover,id:'none'}} , nocover:{cover:{...demo.skin.cover,id:'none'}}, })) { const d={...demo, skin:{...demo.skin,...patch}, store:{...demo.store, barrels:{...demo.store.barrels,count:0}, massWall:{...demo.store.massWall,thicknessM:0}}, breathe:{...demo.breathe, leakage:'usual'}, topUp:{heater:{...demo.topUp.heater,on:false}}} as any; const a2=createYearEngine().run(d).answers; console.log(name,a2.coldestNight.insideC.toFixed(1),a2.coldestNight.outsideC.toFixed(1),(a2.coldestNight.insideC-a2.coldestNight.outsideC).toFixed(1), a2.worstNightLosses.map(l=>l.name+(l.share*100).toFixed(0)).join(' ')) }
}
