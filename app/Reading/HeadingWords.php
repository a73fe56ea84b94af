<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\ProposalHeading;
use Yposta\Core\Network\OrderKind;

/** What a heading of proposals is called, and the order that is made of them. */
final readonly class HeadingWords
{
    /**
     * @param  array<string, string>  $sites  names by code
     * @param  array<string, string>  $suppliers  names by code
     */
    public function __construct(private array $sites, private array $suppliers)
    {
    }

    public function title(ProposalHeading $heading): string
    {
        return $heading->kind === OrderKind::Buy
            ? $this->suppliers[(string) $heading->supplier] ?? (string) trans('No supplier')
            : $this->order($heading);
    }

    public function order(ProposalHeading $heading): string
    {
        $site = $this->sites[$heading->site] ?? $heading->site;

        return (string) match ($heading->kind) {
            OrderKind::Make => trans('Made at :site', ['site' => $site]),
            OrderKind::Transfer => trans('From :from to :site', ['from' => $this->sites[(string) $heading->fromSite] ?? '', 'site' => $site]),
            OrderKind::Buy => trans(':supplier for :site', ['supplier' => $this->suppliers[(string) $heading->supplier] ?? '', 'site' => $site]),
        };
    }
}
