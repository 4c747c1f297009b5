import { paperStyles } from '../member-colors';

/** How a sheet looks, on the screen, on paper and in a file of its own: light, ink on paper, nothing from elsewhere. */
export const SHEET_CSS = `
.tw-sheet{--color-base-100:#fff;--color-base-200:#f3f1ea;--color-base-300:#dedace;--color-base-content:#1f2a33;
--color-primary:#c0371a;
${paperStyles}
color-scheme:light;background:#fff;color:#1f2a33;font:10pt/1.35 'Source Sans 3',system-ui,sans-serif;
font-variant-numeric:tabular-nums}
.tw-sheet *{box-sizing:border-box}
.tw-sheet h1{font-size:18pt;line-height:1.1;font-weight:600;margin:0}
.tw-sheet h2{font-size:12pt;font-weight:600;margin:5mm 0 1.5mm;border-bottom:.3mm solid #1f2a33;break-after:avoid}
.tw-sheet h3,.tw-sheet caption{font-size:10pt;font-weight:600;margin:2mm 0 .5mm;text-align:left;break-after:avoid}
.tw-sheet p,.tw-sheet ul{margin:1mm 0}
.tw-sheet ul{padding-left:4mm;list-style:disc}
.tw-sheet .tw-pages{width:100%;border-collapse:collapse}
.tw-sheet .tw-pages>thead td,.tw-sheet .tw-pages>tbody>tr>td{padding:0}
.tw-sheet .tw-running{display:flex;justify-content:space-between;gap:6mm;font-size:7.5pt;color:#56616a;
padding-bottom:2mm}
.tw-sheet .tw-title{display:flex;justify-content:space-between;align-items:flex-end;gap:6mm;flex-wrap:wrap}
.tw-sheet dl{display:flex;gap:5mm;margin:0;flex-wrap:wrap}
.tw-sheet dt{font-size:7.5pt;color:#56616a}
.tw-sheet dd{margin:0;font-weight:600}
.tw-sheet figure{margin:1mm 0;break-inside:avoid}
.tw-sheet figcaption{font-size:8.5pt;color:#56616a}
.tw-sheet .tw-side-view{display:block;width:100%;max-height:95mm}
.tw-sheet .tw-name{font-size:15px;font-weight:600;fill:#1f2a33}
.tw-sheet .tw-count{font-size:13.5px;font-family:'Source Code Pro',ui-monospace,monospace;fill:#1f2a33}
.tw-sheet .tw-end-view{display:inline-block;vertical-align:top;margin-right:6mm;max-width:100%}
.tw-sheet .tw-small{width:84mm}
.tw-sheet .tw-end-view svg{display:block;max-width:100%;height:auto}
.tw-sheet .tw-ruler{display:inline-block;margin-left:4mm;border:.3mm solid #1f2a33;border-top:0;text-align:center;
line-height:1;color:#1f2a33;font-size:7.5pt;white-space:nowrap}
.tw-sheet .tw-table{border-collapse:collapse;margin:1mm 0 2mm;font-size:8.5pt;max-width:100%}
.tw-sheet .tw-table th{text-align:left;font-weight:600;border-bottom:.3mm solid #1f2a33;padding:.3mm 1.5mm .3mm 0;
vertical-align:bottom}
.tw-sheet .tw-table td{border-bottom:.15mm solid #dedace;padding:.3mm 1.5mm .3mm 0;vertical-align:top}
.tw-sheet .tw-table tr{break-inside:avoid}
.tw-sheet .tw-table thead{display:table-header-group}
.tw-sheet .tw-lines{break-inside:avoid}
.tw-sheet pre{font:8pt/1.3 'Source Code Pro',ui-monospace,monospace;margin:0;white-space:pre-wrap}
.tw-sheet .tw-remarks{border:.2mm solid #dedace;height:22mm;margin:2mm 0;padding:1mm;font-size:7.5pt;color:#56616a;
break-inside:avoid}
.tw-sheet .fill-base-content{fill:#1f2a33}.tw-sheet .stroke-base-content{stroke:#1f2a33}
.tw-sheet .fill-base-100{fill:#fff}.tw-sheet .stroke-base-100{stroke:#fff}
.tw-sheet .fill-none{fill:none}.tw-sheet .stroke-primary{stroke:#c0371a}.tw-sheet .fill-primary{fill:#c0371a}
`;

/** A page that holds a sheet and nothing else. */
export const sheetPage = (title: string, body: string): string =>
  '<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" ' +
  `content="width=device-width"><title>${escaped(title)}</title><style>@page{margin:12mm}body{margin:8mm ` +
  `auto;max-width:190mm}@media print{body{margin:0;max-width:none}}</style></head><body>${body}</body></html>\n`;

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
