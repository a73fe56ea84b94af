<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Notes of calendar days are kept; shifts keep the time of day at which they end; hold-ups are kept as phrases. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('calendar_days', function (Blueprint $table): void {
            $table->string('note')->default('');
        });
        DB::table('shifts')->where('to_minute', '>', 1440)->update(['to_minute' => DB::raw('to_minute - 1440')]);
        // what suppliers call an item has another name in kept changes
        DB::table('commits')->orderBy('id')->each(function (stdClass $commit): void {
            DB::table('commits')->where('id', $commit->id)->update(array_map(
                fn (string $json) => str_replace('"supplierCode":', '"theirCode":', $json),
                ['changes' => (string) $commit->changes, 'inverse' => (string) $commit->inverse],
            ));
        });
        DB::table('plan_demands')->whereNotNull('hold_up')
            ->update(['hold_up' => DB::raw(
                "'[\"named.other\",{\"name\":' || '\"' || replace(replace(hold_up, '\\', '\\\\'), '\"', '\\\"') || '\"}]'",
            )]);
        Schema::table('plan_demands', function (Blueprint $table): void {
            $table->text('hold_up')->nullable()->change();
        });
    }

    public function down(): void
    {
        Schema::table('calendar_days', function (Blueprint $table): void {
            $table->dropColumn('note');
        });
        DB::table('shifts')->whereColumn('to_minute', '<=', 'from_minute')->update(['to_minute' => DB::raw('to_minute + 1440')]);
    }
};
