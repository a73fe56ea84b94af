<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Network;

/** What an order for an item itself takes: its lines and those of the phantoms below it. */
final class OwnStructure
{
    /** @return list<BomLine> the lines of an item and of the phantoms below it */
    public static function of(Network $network, string $item): array
    {
        $lines = [];
        $wanted = [$item => true];
        for ($frontier = [$item => true]; $frontier !== [];) {
            $next = [];
            foreach ($network->bom as $line) {
                if (isset($frontier[$line->item])) {
                    $lines[] = $line;
                    if ($network->items[$line->component]->phantom && ! isset($wanted[$line->component])) {
                        $wanted[$line->component] = $next[$line->component] = true;
                    }
                }
            }
            $frontier = $next;
        }

        return $lines;
    }
}
