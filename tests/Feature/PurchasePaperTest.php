<?php

declare(strict_types=1);

use App\Documents\Label;
use App\Documents\LabelSheet;
use App\Documents\Money;
use App\Models\Order;
use App\Planning\NetworkReader;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Tests\Demo;

/** What the published schema of UBL 2.1 allows in the elements that an order uses, in its sequence; required ones with a star. */
const UBL_ORDER = [
    'Order' => [
        'UBLVersionID', 'CustomizationID', 'ProfileID', 'ID*', 'SalesOrderID', 'UUID', 'IssueDate*', 'IssueTime', 'OrderTypeCode', 'Note',
        'DocumentCurrencyCode', 'LineCountNumeric', 'BuyerCustomerParty*', 'SellerSupplierParty*', 'Delivery', 'DeliveryTerms', 'PaymentMeans',
        'PaymentTerms', 'AnticipatedMonetaryTotal', 'OrderLine*',
    ],
    'BuyerCustomerParty' => ['Party'], 'SellerSupplierParty' => ['Party'], 'Party' => ['PartyIdentification', 'PartyName', 'PostalAddress', 'Contact'],
    'PartyName' => ['Name*'], 'PostalAddress' => ['AddressLine'], 'DeliveryAddress' => ['AddressLine'], 'AddressLine' => ['Line*'],
    'Contact' => ['ID', 'Name', 'Telephone', 'ElectronicMail'], 'PaymentTerms' => ['Note'],
    'AnticipatedMonetaryTotal' => ['LineExtensionAmount', 'TaxExclusiveAmount', 'PayableAmount*'], 'OrderLine' => ['Note', 'LineItem*'],
    'LineItem' => ['ID*', 'Note', 'Quantity', 'LineExtensionAmount', 'Delivery', 'Price', 'Item*'],
    'Delivery' => ['DeliveryAddress', 'RequestedDeliveryPeriod'], 'RequestedDeliveryPeriod' => ['StartDate', 'EndDate'],
    'Price' => ['PriceAmount*', 'BaseQuantity'], 'Item' => ['Description', 'Name', 'BuyersItemIdentification', 'SellersItemIdentification'],
    'BuyersItemIdentification' => ['ID*'], 'SellersItemIdentification' => ['ID*'],
];

/** @return list<string> where an element breaks the sequence of the schema, lacks what it must have, or is none of it */
function brokenUbl(DOMElement $element): array
{
    $children = array_values(array_filter([...$element->childNodes], fn (DOMNode $node) => $node instanceof DOMElement));
    $known = UBL_ORDER[$element->localName] ?? null;
    if ($known === null) {
        return $children === [] ? [] : ["{$element->localName} has elements"];
    }
    $places = array_flip(array_map(fn (string $name) => rtrim($name, '*'), $known));
    $broken = [];
    $at = -1;
    foreach ($children as $child) {
        $place = $places[$child->localName] ?? null;
        $place === null || $place < $at ? $broken[] = "{$child->localName} in {$element->localName}" : $at = $place;
        $isBasic = isset(UBL_ORDER[$child->localName]) ? 'CommonAggregateComponents-2' : 'CommonBasicComponents-2';
        str_ends_with((string) $child->namespaceURI, $isBasic) || $broken[] = "namespace of {$child->localName}";
        array_push($broken, ...brokenUbl($child));
    }
    foreach ($known as $name) {
        str_ends_with($name, '*') && ! in_array(rtrim($name, '*'), array_map(fn (DOMElement $one) => $one->localName, $children), true)
            && $broken[] = "no {$name} in {$element->localName}";
    }

    return $broken;
}

beforeEach(function () {
    Demo::of(folderWith(Demo::copy('worked', [
        'suppliers.csv' => "supplier,name,currency,address,contact,email,terms\nSUP,\"Bolt & Söhne\",EUR,\"3 Mill Bank, Tarnholm\",Mira Fenn,mira@sup.example,30 days net\n",
        'supplier_items.csv' => "supplier,item,price,supplier_code\nSUP,ROD,1.255,B-77/2\nSUP,GLUE,12.5,\n",
        'orders.csv' => "order,kind,status,item,site,supplier,qty,due\nP9.1,buy,firm,ROD,MAIN,SUP,50,2026-03-09\nP9.2,buy,firm,GLUE,MAIN,SUP,2.5,2026-03-11\n"
            ."M1,make,firm,HEAD,MAIN,,5,2026-03-20\n",
    ])));
    // the two lines share an order, as those do that are made of proposals
    $ids = DB::table('orders')->whereIn('code', ['P9.1', 'P9.2'])->orderBy('code')->pluck('id')->all();
    DB::table('order_lines')->where('order_id', $ids[1])->update(['order_id' => $ids[0], 'number' => 2]);
    DB::table('orders')->where('id', $ids[0])->update(['code' => 'P9']);
    Settings::set(Settings::COMPANY, ['name' => 'Rod & Head <Ltd>', 'address' => '1 Bell Yard, Cadderley']);
    DB::table('order_lines')->where('item_code', 'ROD')->update(['price' => 1_255_000]);
    DB::table('order_lines')->where('item_code', 'GLUE')->update(['price' => 12_500_000]);
    $this->actingAs(Demo::user('buyer'));
    $this->ubl = function (): DOMElement {
        $document = new DOMDocument;
        $document->loadXML((string) $this->get('/orders/P9/order.xml')->assertOk()->assertHeader('Content-Type', 'application/xml')->getContent(), LIBXML_NONET);

        return $document->documentElement;
    };
});

it('is written for the programs of a supplier, with his codes, in the order of the standard', function () {
    $order = ($this->ubl)();
    $nodes = fn (string $name) => iterator_to_array($order->getElementsByTagNameNS('*', $name), false);
    $all = fn (string $name) => array_map(fn (DOMNode $node) => $node->textContent, $nodes($name));
    expect(brokenUbl($order))->toBe([])->and($order->namespaceURI)->toBe('urn:oasis:names:specification:ubl:schema:xsd:Order-2')
        ->and($all('ID'))->toBe(['P9', '1', 'ROD', 'B-77/2', '2', 'GLUE'])->and($all('Quantity'))->toBe(['50', '2.5'])
        ->and($all('PriceAmount'))->toBe(['1.255', '12.50'])->and($all('LineExtensionAmount'))->toBe(['94.00', '62.75', '31.25'])
        ->and($all('EndDate'))->toBe(['2026-03-09', '2026-03-11'])->and($all('Line'))->toContain('Tarnholm', '1 Bell Yard')
        ->and($all('Name'))->toContain('Rod & Head <Ltd>', 'Bolt & Söhne')->and($all('PayableAmount'))->toBe(['94.00']);
    $units = array_map(fn (DOMElement $node) => $node->getAttribute('unitCode'), iterator_to_array($order->getElementsByTagNameNS('*', 'Quantity'), false));
    expect($units)->toBe(['C62', 'KGM']);
});

it('says nothing of a total where a price is not known, and nothing that it does not know', function () {
    DB::table('order_lines')->where('item_code', 'GLUE')->update(['price' => null]);
    DB::table('supplier_items')->where('item_code', 'GLUE')->update(['price' => null]);
    DB::table('suppliers')->update(['address' => '', 'contact' => '', 'email' => '', 'terms' => '', 'currency' => '']);
    $order = ($this->ubl)();
    expect(brokenUbl($order))->toBe([])->and($order->getElementsByTagNameNS('*', 'PayableAmount')->length)->toBe(0)
        ->and($order->getElementsByTagNameNS('*', 'PriceAmount')->length)->toBe(1);
    // the check sees what is wrong
    $line = $order->getElementsByTagNameNS('*', 'LineItem')->item(0);
    $line->appendChild($line->firstElementChild);
    expect(brokenUbl($order))->toContain('ID in LineItem');
});

it('is printed with what a supplier needs, without a word of what is cancelled', function () {
    DB::table('order_lines')->where('item_code', 'GLUE')->update(['cancelled' => true]);
    $answer = $this->get('/orders/P9/order.pdf')->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $file = tempnam(sys_get_temp_dir(), 'paper');
    file_put_contents($file, $answer->getContent());
    exec('pdftotext -layout '.escapeshellarg($file).' - 2>/dev/null', $text, $status);
    unlink($file);
    if ($status !== 0) {
        expect(substr((string) $answer->getContent(), 0, 5))->toBe('%PDF-');

        return;
    }
    $text = implode("\n", $text);
    foreach (['Purchase order P9', 'Bolt & Söhne', 'Mira Fenn', 'Rod & Head <Ltd>', 'B-77/2', 'our code ROD', '50 pc', 'Mon 9 Mar 2026', '62.75', '30 days net'] as $said) {
        expect($text)->toContain($said);
    }
    expect($text)->not->toContain('GLUE');
});

it('is there for purchases of which something is left', function () {
    $this->getJson('/orders/M1/order.pdf')->assertStatus(422)->assertJsonPath('reason', 'kind');
    DB::table('order_lines')->update(['cancelled' => true]);
    $this->getJson('/orders/P9/order.xml')->assertStatus(422)->assertJsonPath('reason', 'empty');
    $this->getJson('/orders/NONE/order.xml')->assertNotFound();
    auth()->logout();
    $this->getJson('/orders/P9/order.pdf')->assertUnauthorized();
});

it('writes money with its cents, and more only where there is more', function (int $amount, string $plain, string $said) {
    expect(Money::plain($amount))->toBe($plain)->and(Money::said($amount))->toBe($said);
})->with([
    [0, '0.00', '0.00'], [1_000_000, '1.00', '1.00'], [1_188_000_000, '1188.00', '1,188.00'], [1_234_567_891_234, '1234567.891234', '1,234,567.891234'],
    [999_500_000, '999.50', '999.50'], [12_500, '0.0125', '0.0125'],
]);

it('lists what is to be taken for a production order, and what of it is missing', function () {
    $answer = $this->get('/orders/M1/pick.pdf')->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $list = App\Documents\PickList::of(App\Models\Order::query()->where('code', 'M1')->firstOrFail(), app(App\Planning\NetworkReader::class))[0];
    expect(substr((string) $answer->getContent(), 0, 5))->toBe('%PDF-')
        ->and(array_map(fn ($part) => [$part->item, $part->open / 1_000_000, $part->there / 1_000_000], $list->parts))
        ->toBe([['ROD', 15, 20], ['GLUE', 1.303, 1]]);
    $this->getJson('/orders/P9/pick.pdf')->assertStatus(422)->assertJsonPath('reason', 'kind');
    DB::table('orders')->where('code', 'M1')->update(['status' => 'done']);
    $this->getJson('/orders/M1/pick.pdf')->assertStatus(422)->assertJsonPath('reason', 'over');
});

it('goes through the shop with a sheet of its operations, and its material has labels that say where to bring it', function () {
    DB::table('allocations')->insert(['demand' => 'part:M1/10', 'supply' => 'stock:ROD@MAIN', 'qty' => 4_000_000]);
    DB::table('order_components')->insertOrIgnore([
        'order_line_id' => DB::table('order_lines')->where('code', 'M1')->value('id'), 'line' => '10', 'item_code' => 'ROD', 'qty' => 15_000_000, 'issued' => 0,
    ]);
    DB::table('allocations')->insert(['demand' => 'part:M1/10', 'supply' => 'order:P9.1', 'qty' => 6_000_000]);
    foreach (['sheet', 'labels'] as $paper) {
        expect(substr((string) $this->get("/orders/M1/{$paper}.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent(), 0, 5))->toBe('%PDF-');
    }
    $of = fn (string $code) => LabelSheet::of(Order::query()->where('code', $code)->firstOrFail(), app(NetworkReader::class));
    $said = fn (array $labels) => array_map(
        fn (Label $label) => [$label->item, $label->qty / 1_000_000, $label->order, $label->place], $labels,
    );
    $site = DB::table('sites')->where('code', 'MAIN')->value('name');
    expect($said($of('M1')))->toBe([['ROD', 4, 'M1', $site]])
        ->and($said($of('P9')))->toBe([['ROD', 6, 'M1', $site], ['ROD', 44, '', $site], ['GLUE', 2.5, '', $site]])
        ->and(LabelSheet::coded($of('M1')[0]))->toBe('ROD|4|M1');
    $this->getJson('/orders/P9/sheet.pdf')->assertStatus(422)->assertJsonPath('reason', 'kind');
    DB::table('order_lines')->update(['cancelled' => true]);
    $this->getJson('/orders/P9/labels.pdf')->assertStatus(422)->assertJsonPath('reason', 'over');
});
