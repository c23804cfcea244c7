rm -rf /tmp/prof; npx esbuild $1 --bundle --platform=node --format=esm --outfile=/tmp/p.mjs 2>/dev/null; node --cpu-prof --cpu-prof-dir=/tmp/prof /tmp/p.mjs; node -e "
const p=JSON.parse(require('fs').readFileSync('/tmp/prof/'+require('fs').readdirSync('/tmp/prof')[0]));
const self={};const dt=p.timeDeltas;const id={};p.nodes.forEach(n=>id[n.id]=n);
p.samples.forEach((s,i)=>{const n=id[s];const k=n.callFrame.functionName+':'+n.callFrame.lineNumber;self[k]=(self[k]||0)+dt[i]});
const tot=dt.reduce((a,b)=>a+b,0);console.log(tot/1000);Object.entries(self).sort((a,b)=>b[1]-a[1]).slice(0,40).forEach(([k,v])=>console.log(k,(v/tot*100).toFixed(1)))"
