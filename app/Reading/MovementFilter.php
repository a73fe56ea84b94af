<?php

declare(strict_types=1);

namespace App\Reading;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Study\PostingKind;

/** Which movements are looked at. */
final readonly class MovementFilter
{
    /**
     * @param  PostingKind|null  $kind  null for all
     * @param  string  $text  in item, order, sales line or reason
     * @param  string|null  $from  ISO dates of the days, null where open
     * @param  string  $item  code; empty for all
     * @param  int  $before  number below which the list goes on; 0 for its begin
     */
    public function __construct(
        public ?PostingKind $kind = null,
        public string $text = '',
        public ?string $from = null,
        public ?string $to = null,
        public string $site = '',
        public string $item = '',
        public string $order = '',
        public int $before = 0,
    ) {
    }

    /** @param  array<mixed>  $asked  of the address; what is no filter is left out */
    public static function asked(array $asked, string $site): self
    {
        $text = fn (string $name): string => is_string($asked[$name] ?? null) ? mb_substr(trim($asked[$name]), 0, 190) : '';

        return new self(
            kind: PostingKind::tryFrom($text('kind')), text: $text('q'), from: self::day($text('from')), to: self::day($text('to')), site: $site,
            item: $text('item'), order: $text('order'), before: max(0, (int) $text('before')),
        );
    }

    private static function day(string $text): ?string
    {
        try {
            return Day::format(Day::parse($text));
        } catch (InvalidDay) {
            return null;
        }
    }
}
