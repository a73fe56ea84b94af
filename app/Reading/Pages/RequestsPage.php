<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\GivenBack;
use App\Reading\Shapes\RequestRows;

/** What purchasing is asked for. */
final readonly class RequestsPage extends Page
{
    /**
     * @param  array<string, string>  $filter
     * @param  bool  $may  whether the person buys
     * @param  list<GivenBack>  $back  what was given back lately
     */
    public function __construct(public RequestRows $list, public array $filter, public bool $may, public array $back)
    {
    }
}
