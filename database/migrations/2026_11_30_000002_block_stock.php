<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Stock that nobody may use, what was taken beyond the books, and items that are booked as used when the work is reported. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('stock', function (Blueprint $table): void {
            $table->bigInteger('blocked')->default(0)->comment('millionths that are there, but not to be used');
            $table->bigInteger('owed')->default(0)->comment('millionths that were taken beyond what the books had');
        });
        Schema::table('items', fn (Blueprint $table) => $table->boolean('auto_issue')->default(false));
        Schema::table('movements', function (Blueprint $table): void {
            $table->boolean('blocked')->default(false)->comment('of the stock that nobody may use');
            $table->boolean('below_zero')->default(false)->comment('whether the books had less than was taken');
        });
    }

    public function down(): void
    {
        Schema::table('movements', fn (Blueprint $table) => $table->dropColumn(['blocked', 'below_zero']));
        Schema::table('items', fn (Blueprint $table) => $table->dropColumn('auto_issue'));
        Schema::table('stock', fn (Blueprint $table) => $table->dropColumn(['blocked', 'owed']));
    }
};
