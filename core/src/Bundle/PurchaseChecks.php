<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\PurchaseDocument;

/** Checks between purchases and their documents: one document is for one supplier and site, and in one state. */
final readonly class PurchaseChecks
{
    public function __construct(private Findings $findings)
    {
    }

    /**
     * @param  array<int, PurchaseDocument>  $rows  by their lines in the file
     * @param  list<OpenOrder>  $orders
     */
    public function check(array $rows, array $orders): void
    {
        $known = array_column(array_map(fn (OpenOrder $order) => [$order->code, $order], $orders), 1, 0);
        $documents = array_column(array_map(fn (PurchaseDocument $row) => [$row->order, $row->code()], $rows), 1, 0);
        $first = [];
        foreach ($rows as $at => $row) {
            $order = $known[$row->order];
            $code = $row->code();
            $first[$code] ??= [$order, $row->request];
            [$other, $isRequest] = $first[$code];
            $isAlike = $row->request === $isRequest
                && [$order->supplier, $order->site, $order->status] === [$other->supplier, $other->site, $other->status];
            $values = ['order' => $row->order, 'document' => $code];
            $fault = match (true) {
                $order->kind !== OrderKind::Buy => Fault::of('document_of_no_purchase', $values, 'document'),
                $row->request && $order->status !== OrderStatus::Firm => Fault::of('request_that_was_sent', $values, 'request'),
                isset($known[$code]) && ($documents[$code] ?? '') !== $code => Fault::of('document_is_an_order', $values, 'document'),
                ! $isAlike => Fault::of('document_of_several', $values, 'document'),
                default => null,
            };
            $fault === null
                || $this->findings->note($fault, Declaration::of(PurchaseDocument::class)->file->name, $at, $fault->property);
        }
    }
}
