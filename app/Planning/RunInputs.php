<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Throwable;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Network\Network;

/** The data that a live plan was made of, as they were: of the newest plan and of the one before. */
final class RunInputs
{
    private const KEPT = 2;

    public static function keep(Run $run, Network $network): void
    {
        DB::transaction(function () use ($run, $network): void {
            DB::table('run_inputs')->updateOrInsert(
                ['run_id' => $run->id], ['network' => base64_encode((string) gzcompress(serialize([self::shape(), $network]), 1))],
            );
            $kept = DB::table('run_inputs')->orderByDesc('run_id')->limit(self::KEPT)->pluck('run_id')->all();
            DB::table('run_inputs')->whereNotIn('run_id', $kept)->delete();
        });
    }

    /** Null where they are not kept any more, or were written by a version that knew them otherwise. */
    public static function of(Run $run): ?Network
    {
        $text = DB::table('run_inputs')->where('run_id', $run->id)->value('network');
        if ($text === null) {
            return null;
        }
        try {
            $kept = (array) unserialize((string) gzuncompress((string) base64_decode(Stored::text($text), true)));
            [$shape, $network] = array_values($kept) + [null, null];
        } catch (Throwable) {
            return null;
        }

        return $shape === self::shape() && $network instanceof Network ? $network : null;
    }

    /** What kinds of rows there are and what they are made of: it differs where a version knows more of them. */
    private static function shape(): string
    {
        $columns = [];
        foreach (Network::classes() as $class) {
            $columns[$class] = array_keys(Declaration::of($class)->columns);
        }

        return hash('xxh128', serialize($columns));
    }
}
