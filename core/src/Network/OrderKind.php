<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\Fault;

/** How a supply comes about. */
enum OrderKind: string
{
    case Make = 'make';
    case Buy = 'buy';
    case Transfer = 'transfer';

    /**
     * What is wrong with where an item comes from, when it is supplied in this way.
     *
     * @return list<Fault>
     */
    public function faultsOfSource(string $item, string $site, ?string $fromSite): array
    {
        $code = match (true) {
            $this !== self::Transfer => null,
            $fromSite === null => 'transfer_from_nowhere',
            $fromSite === $site => 'transfer_from_itself',
            default => null,
        };

        return $code === null ? [] : [Fault::of($code, ['item' => $item, 'site' => $site], 'fromSite')];
    }
}
