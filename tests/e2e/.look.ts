import { writeFileSync } from 'node:fs'
import { openBrowser, settled, consoleErrors, click } from './browser'
const [,, out, path='/', w='1280', h='800', script=''] = process.argv
const d = await openBrowser({width:+w,height:+h})
await d.get('http://127.0.0.1:4399'+path)
if(!path.startsWith('/designs')) await settled(d)
await d.sleep(500)
if (script) { await (new Function('d','click','settled','return (async()=>{'+script+'})()'))(d, click, settled); await d.sleep(900) }
writeFileSync(out, Buffer.from(await d.takeScreenshot(),'base64'))
console.log(await consoleErrors(d))
await d.quit()
