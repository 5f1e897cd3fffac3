import { INK } from "@/kit/markup/ink";

/** The owner's page is plain markup: one sheet of style, no script. */
export const STYLE = `
@font-face{font-family:"AHN";src:url(/fonts/next.woff2) format("woff2");font-weight:200 800}
@font-face{font-family:"AHM";src:url(/fonts/mono.woff2) format("woff2");font-weight:200 800}
*{box-sizing:border-box;margin:0}
body{font:18px/1.5 AHN,system-ui,sans-serif;color:${INK.ink};background:${INK.sheet};padding:18px 16px 60px}
.page{max-width:620px;margin:0 auto}
header{display:flex;justify-content:space-between;align-items:baseline;gap:16px;border-bottom:2px solid ${INK.ink};padding-bottom:8px}
h1{font-size:30px;line-height:1.2;margin-top:22px;font-weight:680;letter-spacing:-.3px;text-wrap:balance}
h2{font-size:18px;margin-top:32px;border-bottom:1px solid ${INK.ruleStrong};padding-bottom:6px;font-weight:660;display:flex;justify-content:space-between;gap:12px;align-items:baseline}
h2 small,h2 a{font-size:16px;font-weight:400}
p{margin-top:8px}.soft{color:${INK.soft}}.num{font-family:AHM,ui-monospace,monospace}
a{color:${INK.coralline}}
.why{display:flex;gap:14px;margin-top:10px}.why svg{flex:none;margin-top:6px}
.months{display:flex;gap:8px;margin-top:16px}.months a{flex:1;text-decoration:none;color:${INK.soft};font-size:15px}
.months img{display:block;width:100%;aspect-ratio:4/3;object-fit:cover;background:${INK.band};margin-bottom:4px}
.row{display:flex;align-items:center;gap:14px;border-bottom:1px solid ${INK.rule};padding:10px 0}.row>:first-child{flex:1}
.row .num{font-size:25px;font-weight:600;text-align:right;line-height:1.15}.row .num small{display:block;font-size:14px;font-weight:400;color:${INK.soft}}
.row svg{flex:none}
label.tick{display:flex;gap:14px;align-items:flex-start;cursor:pointer}
input[type=checkbox]{width:28px;height:28px;flex:none;margin:2px 0 0;accent-color:${INK.ink}}
.field{display:block;margin-top:12px}.field span{display:block;font-size:16px;color:${INK.soft};margin-bottom:4px}
input[type=text],input[type=date],input[type=file],textarea{width:100%;font:inherit;color:inherit;background:#fff;border:1.5px solid ${INK.field};border-radius:4px;padding:10px 12px;min-height:48px}
.unit{display:flex;align-items:center;gap:8px;width:132px;flex:none}.unit input{text-align:right;font-family:AHM,ui-monospace,monospace;font-size:20px}
button,.button{font:inherit;font-weight:640;border-radius:4px;min-height:52px;padding:10px 18px;border:1.5px solid ${INK.ruleStrong};background:transparent;color:${INK.ink};cursor:pointer;text-decoration:none;display:inline-block;text-align:center}
button.go{background:${INK.coralline};border-color:${INK.coralline};color:#fff;width:100%;margin-top:16px}
.two{display:flex;gap:12px;margin-top:14px}.two>*{flex:1}
summary{cursor:pointer;font-weight:640;min-height:48px;display:flex;align-items:center;border:1.5px solid ${INK.ruleStrong};border-radius:4px;padding:8px 18px;margin-top:14px;list-style:none}
summary::-webkit-details-marker{display:none}
details[open] summary{border-color:${INK.ink}}
.wrong{color:${INK.off};margin-top:6px}.said{background:${INK.band};padding:10px 14px;margin-top:16px;border-radius:4px}
nav{display:flex;flex-wrap:wrap;gap:6px 16px;margin-top:14px;font-size:16px}nav b{font-weight:660}
:focus-visible{outline:3px solid ${INK.coralline};outline-offset:2px}
@media(max-width:400px){h1{font-size:26px}.row svg{display:none}}
`;
