import { INK } from "./ink";

/** The looks of a page in plain markup, of a letter and of a report. */
export const PAPER_CSS = `
@font-face{font-family:"AHN";src:url(/fonts/next.woff2) format("woff2");font-weight:200 800}
@font-face{font-family:"AHM";src:url(/fonts/mono.woff2) format("woff2");font-weight:200 800}
*{box-sizing:border-box;margin:0}
body{font:16px/1.5 AHN,system-ui,sans-serif;color:${INK.ink};background:${INK.sheet};padding:40px 24px}
main{max-width:670px;margin:0 auto}
header{display:flex;justify-content:space-between;align-items:baseline;gap:16px;border-bottom:2px solid ${INK.ink};padding-bottom:10px}
h1{font-size:29px;line-height:1.2;margin-top:26px;font-weight:640;letter-spacing:-.2px}
h2{font-size:15px;margin-top:22px;border-bottom:1px solid ${INK.ruleStrong};padding-bottom:4px;font-weight:640}
p{margin-top:8px}.soft{color:${INK.soft}}
table{width:100%;border-spacing:0;font-size:15px}td,th{padding:6px 0;border-bottom:1px solid ${INK.rule};text-align:left;font-weight:400}
td.num{font-family:AHM,ui-monospace,monospace;text-align:right;white-space:nowrap}td.note{padding-left:20px;color:${INK.soft}}
svg{display:block}h1 svg{display:inline-block;vertical-align:-3px;margin-right:8px}
.tank+.tank{margin-top:34px;border-top:1px solid ${INK.ruleStrong}}
.mark{height:36px;vertical-align:-10px;margin-right:10px}
.photos{display:flex;gap:16px;flex-wrap:wrap;margin-top:24px}.photos figure{flex:1 1 240px;margin:0}
.photos img{width:100%;display:block}figcaption{font-size:14px;color:${INK.soft};margin-top:4px}
@media(max-width:560px){td.strip{display:none}body{padding:20px 16px}h1{font-size:25px}td.note{padding-left:10px}}
@media print{body{padding:0;font-size:14px}h1{font-size:24px;margin-top:14px}h2{margin-top:12px}p{margin-top:4px}}
`;
