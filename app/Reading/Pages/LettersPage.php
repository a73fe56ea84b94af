<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\LetterRows;

/** Letters to suppliers. */
final readonly class LettersPage extends Page
{
    /**
     * @param  array<string, string>  $filter
     * @param  bool  $may  whether the person buys
     * @param  bool  $staysInside  whether no way to the world is set up, so that letters stay in a box inside the installation
     */
    public function __construct(public LetterRows $list, public array $filter, public bool $may, public bool $staysInside)
    {
    }
}
