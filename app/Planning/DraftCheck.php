<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use Yposta\Core\Network\Network;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\SoundChange;
use Yposta\Core\Support\Phrase;

/** What stands in the way of writing one line of changes, on top of those before it. */
final readonly class DraftCheck
{
    /**
     * @param  list<string>  $moved  rows that look otherwise than they did when the line was made
     * @param  bool  $may  whether the person may write it
     * @param  Phrase|null  $trouble  why it does not fit
     */
    private function __construct(public array $moved, public bool $may, public ?Phrase $trouble)
    {
    }

    /**
     * @param  list<list<Change>>  $lines
     * @param  array<int, array<string, string>>  $seen  what the rows of a line looked like, see {@see RowFingerprints}; lines without
     *    are not compared
     * @param  bool  $takesBack  whether the lines take a commit back: what stood there before may come back
     * @param  string|null  $covering  a permission that stands for those that the changes take by themselves
     * @return list<self> one for each line
     */
    public static function of(
        array $lines,
        array $seen,
        Network $ground,
        User $user,
        bool $takesBack = false,
        ?string $covering = null,
    ): array {
        $checks = [];
        $network = $ground;
        foreach ($lines as $place => $changes) {
            $may = true;
            $trouble = null;
            $after = $network;
            try {
                foreach ($changes as $change) {
                    $before = $after;
                    $after = SoundChange::apply($change, $before, $takesBack);
                    $may = $may && ($covering === null ? ChangeRights::may($user, $change, $before, $after) : $user->can($covering));
                }
                $network = $after;
            } catch (DoesNotFit $refusal) {
                $trouble = $refusal->phrase();
            }
            $checks[] = new self(RowFingerprints::moved($seen[$place] ?? [], $ground), $may, $trouble);
        }

        return $checks;
    }

    public function movedNames(): string
    {
        return implode(', ', array_map(RowFingerprints::called(...), $this->moved));
    }
}
