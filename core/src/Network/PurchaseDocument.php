<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Flag;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;

/**
 * What a purchase is for its supplier: a line of a document with others, or only asked for and no order yet. No effect on a run. A purchase
 * without such a row is an order by itself.
 */
#[BundleFile('purchase_documents.csv', 'orders', ['order'])]
final readonly class PurchaseDocument
{
    use Row;

    #[Column(new RowOf(OpenOrder::class))]
    public string $order;

    #[Column(new Code, '', note: 'that of the order')]
    public ?string $document;

    #[Column(new Flag, '0')]
    public bool $request;

    /** Code of the document. */
    public function code(): string
    {
        return $this->document ?? $this->order;
    }
}
