import { describe, expect, it } from 'vitest';
import { readBlock, writeBlock } from '@/lib/blocks';

describe('a block of cells', () => {
    it('is read as spreadsheets write it, and written as they read it', () => {
        expect(readBlock('1\t2\r\n3\t4\r\n')).toEqual([
            ['1', '2'],
            ['3', '4'],
        ]);
        expect(readBlock('"a\tb"\t"say ""so"""')).toEqual([['a\tb', 'say "so"']]);
        expect(readBlock(' 7 ')).toEqual([['7']]);
        expect(readBlock('\t\n')).toEqual([['', '']]);
        const cells = [
            ['1', 'a\tb'],
            ['"', 'c\nd'],
        ];
        expect(readBlock(writeBlock(cells))).toEqual(cells);
    });
});
