<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Run;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Throwable;
use Yposta\Core\Network\Network;

/** The data that a live plan was made of, as they were: of the newest plan and of the one before. */
final class RunInputs
{
    private const KEPT = 2;

    public static function keep(Run $run, Network $network): void
    {
        DB::transaction(function () use ($run, $network): void {
            DB::table('run_inputs')->updateOrInsert(
                ['run_id' => $run->id], ['network' => base64_encode((string) gzcompress(serialize($network), 1))],
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
            $network = unserialize((string) gzuncompress((string) base64_decode(Stored::text($text), true)));
        } catch (Throwable) {
            return null;
        }

        return $network instanceof Network ? $network : null;
    }
}
