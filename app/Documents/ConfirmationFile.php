<?php

declare(strict_types=1);

namespace App\Documents;

use App\Support\Refused;
use DOMDocument;
use DOMNode;
use DOMXPath;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Support\Phrase;

/**
 * What a supplier confirms, from a file: CSV with the columns order, line, item, qty and date, of which line or item may be left out, or
 * UBL 2.1 OrderResponse (OASIS, urn:oasis:names:specification:ubl:schema:xsd:OrderResponse-2).
 */
final class ConfirmationFile
{
    public const MOST_BYTES = 2_000_000;

    private const MOST_LINES = 5_000;

    private const RESPONSE = 'urn:oasis:names:specification:ubl:schema:xsd:OrderResponse-2';

    /**
     * @return array{'csv'|'ubl', list<ConfirmedLine>}
     *
     * @throws Refused when it is too large, of another form, or a line of it says nothing that can be understood
     */
    public static function read(string $content): array
    {
        strlen($content) <= self::MOST_BYTES || throw self::trouble('too_large', ['most' => self::MOST_BYTES]);
        $content = (string) preg_replace('/^\xEF\xBB\xBF/', '', $content);
        $isXml = str_starts_with(ltrim($content), '<');
        $lines = $isXml ? self::ubl($content) : self::csv($content);
        $lines !== [] || throw self::trouble('empty');

        return [$isXml ? 'ubl' : 'csv', $lines];
    }

    /** @return list<ConfirmedLine> */
    private static function csv(string $content): array
    {
        mb_check_encoding($content, 'UTF-8') || throw self::trouble('encoding');
        $stream = fopen('php://temp', 'r+') ?: throw self::trouble('empty');
        fwrite($stream, $content);
        rewind($stream);
        $header = array_map(fn (mixed $name) => mb_strtolower(trim((string) $name)), fgetcsv($stream, escape: '') ?: []);
        $missing = array_values(array_diff(['order', 'qty', 'date'], $header));
        $missing === [] || throw self::trouble('column', ['column' => $missing[0]]);
        $lines = [];
        for ($number = 2; ($row = fgetcsv($stream, escape: '')) !== false; $number++) {
            if ($row === [null]) {
                continue;
            }
            count($lines) < self::MOST_LINES || throw self::trouble('too_many', ['most' => self::MOST_LINES]);
            $of = fn (string $column): string => trim((string) ($row[(int) array_search($column, $header, true)] ?? ''));
            $has = fn (string $column): string => in_array($column, $header, true) ? $of($column) : '';
            $lines[] = self::line($number, $of('order'), $has('line'), $has('item'), $of('qty'), $of('date'));
        }
        fclose($stream);

        return $lines;
    }

    /** @return list<ConfirmedLine> */
    private static function ubl(string $content): array
    {
        // a document type is where entities and outside files come from; an answer needs none
        stripos($content, '<!DOCTYPE') === false && stripos($content, '<!ENTITY') === false || throw self::trouble('entities');
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        $isRead = $document->loadXML($content, LIBXML_NONET | LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $document->documentElement;
        $isRead && $root !== null || throw self::trouble('xml');
        $root->localName === 'OrderResponse' && $root->namespaceURI === self::RESPONSE || throw self::trouble('other_document');
        $path = new DOMXPath($document);
        $path->registerNamespace('c', 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2');
        $path->registerNamespace('a', 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2');
        $order = self::text($path, 'a:OrderReference/c:ID', $root);
        $lines = [];
        foreach ($path->query('a:OrderLine', $root) ?: [] as $place => $node) {
            assert($node instanceof DOMNode);
            count($lines) < self::MOST_LINES || throw self::trouble('too_many', ['most' => self::MOST_LINES]);
            $date = self::text($path, 'a:LineItem/a:Delivery/a:PromisedDeliveryPeriod/c:EndDate', $node)
                ?: self::text($path, 'a:LineItem/a:Delivery/a:EstimatedDeliveryPeriod/c:EndDate', $node)
                ?: self::text($path, 'a:LineItem/a:Delivery/c:ActualDeliveryDate', $node)
                ?: self::text($path, 'a:Delivery/a:PromisedDeliveryPeriod/c:EndDate', $root);
            $lines[] = self::line(
                $place + 1, $order,
                self::text($path, 'a:OrderLineReference/c:LineID', $node) ?: self::text($path, 'a:LineItem/c:ID', $node),
                self::text($path, 'a:LineItem/a:Item/a:BuyersItemIdentification/c:ID', $node),
                self::text($path, 'a:LineItem/c:Quantity', $node), $date,
            );
        }

        return $lines;
    }

    private static function text(DOMXPath $path, string $query, DOMNode $in): string
    {
        $found = $path->query($query, $in);
        $first = $found === false ? null : $found->item(0);

        return $first instanceof DOMNode ? trim($first->textContent) : '';
    }

    private static function line(int $number, string $order, string $line, string $item, string $qty, string $date): ConfirmedLine
    {
        $order !== '' || throw self::trouble('no_order', ['number' => $number]);
        $line !== '' || $item !== '' || throw self::trouble('no_line', ['number' => $number]);
        try {
            $millionths = Quantity::parse($qty);
            $millionths > 0 || throw self::trouble('quantity', ['number' => $number, 'qty' => $qty]);

            return new ConfirmedLine($number, $order, $line, $item, $millionths, Day::parse($date));
        } catch (InvalidQuantity) {
            throw self::trouble('quantity', ['number' => $number, 'qty' => $qty]);
        } catch (InvalidDay) {
            throw self::trouble('date', ['number' => $number, 'date' => $date]);
        }
    }

    /** @param  array<string, int|string>  $values */
    private static function trouble(string $code, array $values = []): Refused
    {
        return Refused::because('purchase.file', ['trouble' => new Phrase("refused.confirmation.{$code}", $values)], 'file');
    }
}
