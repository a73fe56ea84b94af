/** Rows of cells as spreadsheets put them on the clipboard: tabs between cells, a line for each row, quotes around what holds either. */
export function readBlock(text: string): string[][] {
    const rows: string[][] = [[]];
    let cell = '';
    let quoted = false;
    for (let at = 0; at < text.length; at++) {
        const sign = text[at] ?? '';
        if (quoted) {
            if (sign !== '"') {
                cell += sign;
            } else if (text[at + 1] === '"') {
                cell += sign;
                at++;
            } else {
                quoted = false;
            }
        } else if (sign === '"' && cell === '') {
            quoted = true;
        } else if (sign === '\t' || sign === '\n') {
            rows.at(-1)?.push(cell.trim());
            cell = '';
            if (sign === '\n') {
                rows.push([]);
            }
        } else if (sign !== '\r') {
            cell += sign;
        }
    }
    rows.at(-1)?.push(cell.trim());
    const last = rows.at(-1);
    if (rows.length > 1 && last?.length === 1 && last[0] === '') {
        rows.pop(); // the last line ends, too
    }
    return rows;
}

export function writeBlock(rows: string[][]): string {
    return rows.map((cells) => cells.map((cell) => (/[\t\n"]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell)).join('\t')).join('\n');
}
