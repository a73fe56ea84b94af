<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\SavedView;
use Yposta\Core\Shortage\NeedState;

/** The shortages of a window; the rows are planned with the person's draft and come after the page. */
final readonly class ShortagesPage extends Page
{
    /**
     * @param  array{days: string, from: string, to: string, by: 'day'|'component'|'order'|'customer', state: value-of<NeedState>|'', q: string}  $filter
     * @param  list<SavedView>  $views
     */
    public function __construct(
        public array $filter,
        public bool $planned,
        public string $open,
        public array $views,
    ) {
    }
}
