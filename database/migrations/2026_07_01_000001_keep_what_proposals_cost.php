<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a proposal to buy costs, in whole units of the supplier's currency, so that lists of thousands can be summed up by heading. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_supplies', function (Blueprint $table): void {
            $table->bigInteger('cost')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('plan_supplies', fn (Blueprint $table) => $table->dropColumn('cost'));
    }
};
