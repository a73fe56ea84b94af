<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;
use XMLWriter;
use Yposta\Core\Calendar\Day;
use ZipArchive;

/** Writes a table as a workbook of one sheet in Office Open XML (ECMA-376), row by row, so that its size does not matter. */
final class Workbook
{
    /** Styles of the cells, by their place in the style sheet. */
    private const STYLES = ['text' => 0, 'number' => 0, 'head' => 1, 'date' => 2];

    /** A day number of the core and the serial number of the day in a workbook differ by so much. */
    private const EPOCH = 25_569;

    /** Digits that a number of a workbook keeps. */
    private const MOST_DIGITS = 15;

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $types  of the columns: text, number (decimal text) or date (ISO date)
     * @param  iterable<list<string|int|null>>  $rows
     * @return string path of a temporary file, which the caller deletes
     */
    public static function write(string $name, array $columns, array $types, iterable $rows): string
    {
        $sheet = (string) tempnam(sys_get_temp_dir(), 'sheet');
        self::sheet($sheet, $columns, $types, $rows);
        $path = (string) tempnam(sys_get_temp_dir(), 'workbook');
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('no room for the workbook');
        }
        foreach (self::parts($name) as $part => $xml) {
            $zip->addFromString($part, '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'.$xml);
        }
        $zip->addFile($sheet, 'xl/worksheets/sheet1.xml');
        $zip->close();
        unlink($sheet);

        return $path;
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $types
     * @param  iterable<list<string|int|null>>  $rows
     */
    private static function sheet(string $path, array $columns, array $types, iterable $rows): void
    {
        $xml = new XMLWriter;
        $xml->openUri($path);
        $xml->startDocument('1.0', 'UTF-8', 'yes');
        $xml->startElement('worksheet');
        $xml->writeAttribute('xmlns', self::MAIN);
        $xml->writeRaw(
            '<sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" state="frozen"/></sheetView></sheetViews>',
        );
        $xml->startElement('sheetData');
        self::row($xml, $columns, array_fill(0, count($columns), 'head'));
        $count = 0;
        foreach ($rows as $row) {
            self::row($xml, $row, $types);
            ++$count % 500 === 0 && $xml->flush();
        }
        $xml->endElement();
        $xml->endElement();
        $xml->endDocument();
        $xml->flush();
    }

    /**
     * @param  list<string|int|null>  $values
     * @param  list<string>  $types
     */
    private static function row(XMLWriter $xml, array $values, array $types): void
    {
        $xml->startElement('row');
        foreach ($values as $place => $value) {
            $text = (string) $value;
            $type = $types[$place] ?? 'text';
            $xml->startElement('c');
            if ($type === 'number' && preg_match('/^-?\d+(\.\d+)?$/D', $text) === 1 && strlen($text) <= self::MOST_DIGITS) {
                $xml->writeElement('v', $text);
            } elseif ($type === 'date' && $text !== '') {
                $xml->writeAttribute('s', (string) self::STYLES['date']);
                $xml->writeElement('v', (string) (Day::parse($text) + self::EPOCH));
            } elseif ($text !== '') {
                $type === 'head' && $xml->writeAttribute('s', (string) self::STYLES['head']);
                $xml->writeAttribute('t', 'inlineStr');
                $xml->startElement('is');
                $xml->startElement('t');
                $xml->writeAttribute('xml:space', 'preserve');
                $xml->text((string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', $text));
                $xml->endElement();
                $xml->endElement();
            }
            $xml->endElement();
        }
        $xml->endElement();
    }

    /** @return array<string, string> */
    private static function parts(string $name): array
    {
        $relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $package = 'http://schemas.openxmlformats.org/package/2006';
        $types = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
        $title = htmlspecialchars(mb_substr((string) preg_replace('/[\[\]:*?\/\\\\]/', ' ', $name), 0, 31), ENT_XML1);

        return [
            '[Content_Types].xml' => "<Types xmlns=\"{$package}/content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/><Default Extension=\"xml\" ContentType=\"application/xml\"/>"
                ."<Override PartName=\"/xl/workbook.xml\" ContentType=\"{$types}.sheet.main+xml\"/><Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"{$types}.worksheet+xml\"/><Override PartName=\"/xl/styles.xml\" ContentType=\"{$types}.styles+xml\"/></Types>",
            '_rels/.rels' => "<Relationships xmlns=\"{$package}/relationships\"><Relationship Id=\"rId1\" Type=\"{$relations}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
            'xl/_rels/workbook.xml.rels' => "<Relationships xmlns=\"{$package}/relationships\"><Relationship Id=\"rId1\" Type=\"{$relations}/worksheet\" Target=\"worksheets/sheet1.xml\"/><Relationship Id=\"rId2\" Type=\"{$relations}/styles\" Target=\"styles.xml\"/></Relationships>",
            'xl/workbook.xml' => '<workbook xmlns="'.self::MAIN
                ."\" xmlns:r=\"{$relations}\"><sheets><sheet name=\"{$title}\" sheetId=\"1\" r:id=\"rId1\"/></sheets></workbook>",
            'xl/styles.xml' => '<styleSheet xmlns="'.self::MAIN
                .'"><numFmts count="1"><numFmt numFmtId="164" formatCode="yyyy\-mm\-dd"/></numFmts><fonts count="2"><font/><font><b/></font></fonts>'
                .'<fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs>'
                .'<cellXfs count="3"><xf/><xf fontId="1" applyFont="1"/><xf numFmtId="164" applyNumberFormat="1"/></cellXfs></styleSheet>',
        ];
    }
}
