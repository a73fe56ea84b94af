<?php

declare(strict_types=1);

namespace App\Intake;

use App\Support\Refused;
use XMLReader;
use Yposta\Core\Calendar\Day;
use ZipArchive;

/**
 * Reads the first sheet of a workbook in Office Open XML (ECMA-376) as a stream: of a formula what it came to, days as ISO dates. Of
 * merged cells the first has the value. What has macros, or unpacks to more than anyone means, is refused before it is read.
 */
final readonly class WorkbookFile
{
    /** What a part of it may unpack to, in bytes. */
    private const MOST_UNPACKED = 300_000_000;

    private const MOST_TEXTS = 2_000_000;

    /** A day number of the core and the serial number of the day in a workbook differ by so much; more where it counts from 1904. */
    private const EPOCH = 25_569;

    private const EPOCH_1904 = 24_107;

    /** The serial number of the first day that no calendar here has. */
    private const MOST_SERIAL = 2_900_000;

    /** Numbers of the formats of days that need no declaration. */
    private const DAYS = [14, 15, 16, 17, 22, 27, 30, 36, 50, 57];

    /**
     * @param  list<string>  $texts  that cells share
     * @param  list<bool>  $isDay  by style
     */
    private function __construct(
        private string $path,
        private string $sheet,
        private array $texts,
        private array $isDay,
        private int $epoch,
    ) {
    }

    /** @throws Refused */
    public static function open(string $path): self
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw Refused::because('intake.no_table', [], 'file');
        }
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $part = $zip->statIndex($place);
            if ($part === false || $part['size'] > self::MOST_UNPACKED) {
                throw Refused::because('intake.too_large', ['most' => intdiv(TableFile::MOST_BYTES, 1_000_000)], 'file');
            }
            if (str_ends_with(strtolower($part['name']), 'vbaproject.bin')) {
                throw Refused::because('intake.macros', [], 'file');
            }
        }
        $book = self::parsed($zip, 'xl/workbook.xml');
        $sheet = self::firstSheet($zip, $book);
        $zip->close();

        return new self(
            $path, $sheet, self::texts($path), self::days($path),
            preg_match('/date1904="(1|true)"/', $book) === 1 ? self::EPOCH_1904 : self::EPOCH,
        );
    }

    /** @return iterable<int, list<string>> by number of the row */
    public function rows(): iterable
    {
        $xml = self::reader($this->path, $this->sheet);
        $line = 0;
        $next = $xml->read();
        while ($next) {
            self::isHarmless($xml);
            if ($xml->nodeType === XMLReader::ELEMENT && $xml->localName === 'row') {
                $line = (int) $xml->getAttribute('r') ?: $line + 1;
                yield $line => $xml->isEmptyElement ? [] : $this->fields($xml);
            }
            $next = $xml->read();
        }
        $xml->close();
    }

    /** @return list<string> of a row, which the reader stands at the beginning of */
    private function fields(XMLReader $xml): array
    {
        $fields = [];
        $at = -1;
        while ($xml->read() && ! ($xml->nodeType === XMLReader::END_ELEMENT && $xml->localName === 'row')) {
            if ($xml->nodeType === XMLReader::ELEMENT && $xml->localName === 'c') {
                $at = self::column((string) $xml->getAttribute('r')) ?? $at + 1;
                if ($at > 1_000) {
                    throw Refused::because('intake.too_many', ['rows' => TableFile::MOST_ROWS, 'columns' => 200], 'file');
                }
                $type = (string) $xml->getAttribute('t');
                $style = (int) $xml->getAttribute('s');
                $fields[$at] = $xml->isEmptyElement ? '' : $this->value($xml, $type, $style);
            }
        }
        $row = $fields === [] ? [] : array_fill(0, max(array_keys($fields)) + 1, '');

        return array_values($fields + $row === $fields ? $fields : array_replace($row, $fields));
    }

    private function value(XMLReader $xml, string $type, int $style): string
    {
        $value = '';
        while ($xml->read() && ! ($xml->nodeType === XMLReader::END_ELEMENT && $xml->localName === 'c')) {
            if ($xml->nodeType === XMLReader::ELEMENT && in_array($xml->localName, ['v', 't'], true) && ! $xml->isEmptyElement) {
                $value .= $xml->readString();
            }
        }

        return match (true) {
            $type === 's' => $this->texts[(int) $value] ?? '',
            $type === 'b' => $value === '1' ? '1' : '0',
            $type !== '' && $type !== 'n' => $value,
            $value === '' || ! is_numeric($value) => $value,
            ($this->isDay[$style] ?? false) && (float) $value >= 1 && (float) $value < self::MOST_SERIAL => $this->day((float) $value),
            default => self::number($value),
        };
    }

    /** A number as it was typed: what floating point adds behind the sixth decimal is not of it. */
    private static function number(string $text): string
    {
        if (preg_match('/^-?\d{1,15}$/', $text) === 1 || abs((float) $text) >= 1e15) {
            return $text;
        }

        return rtrim(rtrim(sprintf('%.6F', (float) $text), '0'), '.');
    }

    private function day(float $serial): string
    {
        $day = (int) floor($serial);
        $minutes = (int) round(($serial - $day) * 1440);
        $date = Day::format($day - $this->epoch + ($minutes === 1440 ? 1 : 0));

        return $minutes % 1440 === 0 ? $date : sprintf('%s %02d:%02d', $date, intdiv($minutes, 60), $minutes % 60);
    }

    /** The place of a column by its letters, from 0. */
    private static function column(string $reference): ?int
    {
        if (preg_match('/^[A-Z]{1,3}/', $reference, $letters) !== 1) {
            return null;
        }
        $place = 0;
        foreach (str_split($letters[0]) as $letter) {
            $place = $place * 26 + ord($letter) - 64;
        }

        return $place - 1;
    }

    private static function firstSheet(ZipArchive $zip, string $book): string
    {
        $relations = self::parsed($zip, 'xl/_rels/workbook.xml.rels');
        preg_match_all('/<(?:\w+:)?sheet\s[^>]*>/', $book, $sheets);
        foreach ($sheets[0] as $sheet) {
            $isHidden = preg_match('/\bstate="(hidden|veryHidden)"/', $sheet) === 1;
            if ($isHidden || preg_match('/\br:id="([^"]+)"/', $sheet, $id) !== 1) {
                continue;
            }
            preg_match_all('/<(?:\w+:)?Relationship\s[^>]*>/', $relations, $all);
            foreach ($all[0] as $relation) {
                if (str_contains($relation, "Id=\"{$id[1]}\"") && preg_match('/Target="([^"]+)"/', $relation, $target) === 1) {
                    $path = ltrim($target[1], '/');
                    $path = str_starts_with($path, 'xl/') ? $path : "xl/{$path}";
                    if ($zip->locateName($path) !== false) {
                        return $path;
                    }
                }
            }
        }
        throw Refused::because('intake.no_table', [], 'file');
    }

    /** @return list<string> */
    private static function texts(string $path): array
    {
        $texts = [];
        foreach (self::elements($path, 'xl/sharedStrings.xml', 'si') as $xml) {
            $text = '';
            while ($xml->read() && ! ($xml->nodeType === XMLReader::END_ELEMENT && $xml->localName === 'si')) {
                // how a word is to be read aloud is not part of it
                if ($xml->nodeType === XMLReader::ELEMENT && $xml->localName === 'rPh') {
                    $xml->next();
                }
                if ($xml->nodeType === XMLReader::ELEMENT && $xml->localName === 't' && ! $xml->isEmptyElement) {
                    $text .= $xml->readString();
                }
            }
            $texts[] = $text;
            if (count($texts) > self::MOST_TEXTS) {
                throw Refused::because('intake.too_large', ['most' => intdiv(TableFile::MOST_BYTES, 1_000_000)], 'file');
            }
        }

        return $texts;
    }

    /** @return list<bool> whether a style shows its number as a day */
    private static function days(string $path): array
    {
        $own = [];
        foreach (self::elements($path, 'xl/styles.xml', 'numFmt') as $xml) {
            $code = (string) preg_replace('/"[^"]*"|\[[^\]]*\]|\\\\./', '', (string) $xml->getAttribute('formatCode'));
            $own[(int) $xml->getAttribute('numFmtId')] = preg_match('/[dy]/i', $code) === 1;
        }
        $days = [];
        $inside = false;
        $xml = self::tryReader($path, 'xl/styles.xml');
        while ($xml !== null && $xml->read()) {
            $isXfs = $xml->localName === 'cellXfs';
            $isXfs && $inside = $xml->nodeType === XMLReader::ELEMENT;
            if ($inside && $xml->nodeType === XMLReader::ELEMENT && $xml->localName === 'xf') {
                $format = (int) $xml->getAttribute('numFmtId');
                $days[] = $own[$format] ?? in_array($format, self::DAYS, true);
            }
        }

        return $days;
    }

    /** @return iterable<XMLReader> standing at each element of a name that has something in it */
    private static function elements(string $path, string $part, string $name): iterable
    {
        $xml = self::tryReader($path, $part);
        while ($xml !== null && $xml->read()) {
            self::isHarmless($xml);
            if ($xml->nodeType === XMLReader::ELEMENT && $xml->localName === $name) {
                yield $xml;
            }
        }
    }

    private static function parsed(ZipArchive $zip, string $part): string
    {
        $text = $zip->getFromName($part);
        if ($text === false || strlen($text) > 5_000_000 || str_contains($text, '<!DOCTYPE')) {
            throw Refused::because('intake.no_table', [], 'file');
        }

        return $text;
    }

    private static function reader(string $path, string $part): XMLReader
    {
        return self::tryReader($path, $part) ?? throw Refused::because('intake.no_table', [], 'file');
    }

    private static function tryReader(string $path, string $part): ?XMLReader
    {
        $zip = new ZipArchive;
        $isThere = $zip->open($path, ZipArchive::RDONLY) === true && $zip->locateName($part) !== false;
        $zip->close();
        if (! $isThere) {
            return null;
        }
        $xml = new XMLReader;

        return $xml->open("zip://{$path}#{$part}", null, LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING | LIBXML_PARSEHUGE) ? $xml : null;
    }

    /** @throws Refused when it declares a document type: no workbook needs one */
    private static function isHarmless(XMLReader $xml): void
    {
        if ($xml->nodeType === XMLReader::DOC_TYPE) {
            throw Refused::because('intake.no_table', [], 'file');
        }
    }
}
