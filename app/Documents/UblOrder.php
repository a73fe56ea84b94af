<?php

declare(strict_types=1);

namespace App\Documents;

use XMLWriter;
use Yposta\Core\Quantity\Quantity;

/**
 * A purchase order as UBL 2.1 Order (OASIS, urn:oasis:names:specification:ubl:schema:xsd:Order-2). Elements stand in the order of the
 * published schema; units are those of UN/ECE recommendation 20 where they are known.
 */
final class UblOrder
{
    private const ORDER = 'urn:oasis:names:specification:ubl:schema:xsd:Order-2';

    private const CAC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2';

    private const CBC = 'urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2';

    private const UNITS = ['pc' => 'C62', 'pcs' => 'C62', 'm' => 'MTR', 'kg' => 'KGM', 'g' => 'GRM', 'l' => 'LTR', 'm2' => 'MTK', 'set' => 'SET'];

    private readonly XMLWriter $xml;

    private function __construct(private readonly PurchasePaper $paper, private readonly string $note)
    {
        $this->xml = new XMLWriter;
        $this->xml->openMemory();
        $this->xml->setIndent(true);
    }

    /** @param  string  $note  as that it takes the place of an earlier version */
    public static function of(PurchasePaper $paper, string $note = ''): string
    {
        return (new self($paper, $note))->write();
    }

    private function write(): string
    {
        $this->xml->startDocument('1.0', 'UTF-8');
        $this->xml->startElement('Order');
        foreach (['xmlns' => self::ORDER, 'xmlns:cac' => self::CAC, 'xmlns:cbc' => self::CBC] as $name => $value) {
            $this->xml->writeAttribute($name, $value);
        }
        $this->text('UBLVersionID', '2.1');
        $this->text('ID', $this->paper->code);
        $this->text('IssueDate', $this->paper->day);
        $this->note === '' || $this->text('Note', $this->note);
        $this->paper->text === '' || $this->text('Note', $this->paper->text);
        $this->paper->currency === '' || $this->text('DocumentCurrencyCode', $this->paper->currency);
        $this->text('LineCountNumeric', (string) count($this->paper->lines));
        $this->in('BuyerCustomerParty', fn () => $this->party($this->paper->company));
        $this->in('SellerSupplierParty', fn () => $this->party($this->paper->supplier, $this->paper->contact, $this->paper->email));
        $this->in('Delivery', fn () => $this->in('DeliveryAddress', fn () => $this->lines($this->paper->place)));
        $this->paper->terms === '' || $this->in('PaymentTerms', fn () => $this->text('Note', $this->paper->terms));
        $this->paper->total === null || $this->in('AnticipatedMonetaryTotal', function (): void {
            $this->money('LineExtensionAmount', (int) $this->paper->total);
            $this->money('PayableAmount', (int) $this->paper->total);
        });
        foreach ($this->paper->lines as $line) {
            $this->in('OrderLine', fn () => $this->in('LineItem', fn () => $this->line($line)));
        }
        $this->xml->endElement();
        $this->xml->endDocument();

        return $this->xml->outputMemory();
    }

    private function line(PurchaseLine $line): void
    {
        $unit = self::UNITS[mb_strtolower($line->unit)] ?? null;
        $this->text('ID', (string) $line->number);
        $this->text('Quantity', Quantity::format($line->qty), $unit === null ? [] : ['unitCode' => $unit]);
        $line->value === null || $this->money('LineExtensionAmount', $line->value);
        $this->in('Delivery', fn () => $this->in('RequestedDeliveryPeriod', fn () => $this->text('EndDate', $line->due)));
        $line->price === null || $this->in('Price', function () use ($line, $unit): void {
            $this->money('PriceAmount', (int) $line->price);
            $this->text('BaseQuantity', '1', $unit === null ? [] : ['unitCode' => $unit]);
        });
        $this->in('Item', function () use ($line): void {
            $this->text('Name', $line->name);
            $this->in('BuyersItemIdentification', fn () => $this->text('ID', $line->item));
            $line->theirs === '' || $this->in('SellersItemIdentification', fn () => $this->text('ID', $line->theirs));
        });
    }

    /** @param  list<string>  $address  the name first */
    private function party(array $address, string $contact = '', string $email = ''): void
    {
        $this->in('Party', function () use ($address, $contact, $email): void {
            $this->in('PartyName', fn () => $this->text('Name', $address[0] ?? ''));
            count($address) < 2 || $this->in('PostalAddress', fn () => $this->lines(array_slice($address, 1)));
            $contact === '' && $email === '' || $this->in('Contact', function () use ($contact, $email): void {
                $contact === '' || $this->text('Name', $contact);
                $email === '' || $this->text('ElectronicMail', $email);
            });
        });
    }

    /** @param  list<string>  $lines */
    private function lines(array $lines): void
    {
        foreach ($lines as $line) {
            $this->in('AddressLine', fn () => $this->text('Line', $line));
        }
    }

    /** @param  int  $amount  millionths of the currency */
    private function money(string $name, int $amount): void
    {
        $this->text($name, Money::plain($amount), ['currencyID' => $this->paper->currency]);
    }

    /** @param  array<string, string>  $attributes */
    private function text(string $name, string $text, array $attributes = []): void
    {
        $this->xml->startElement("cbc:{$name}");
        foreach ($attributes as $attribute => $value) {
            $this->xml->writeAttribute($attribute, $value);
        }
        $this->xml->text($text);
        $this->xml->endElement();
    }

    /** @param  callable(): mixed  $inside */
    private function in(string $name, callable $inside): void
    {
        $this->xml->startElement("cac:{$name}");
        $inside();
        $this->xml->endElement();
    }
}
