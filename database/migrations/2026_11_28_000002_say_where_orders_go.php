<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What an order on paper needs: where it goes, who reads it, on which terms. */
return new class extends Migration
{
    private const OF_SUPPLIERS = ['address', 'contact', 'email', 'terms'];

    public function up(): void
    {
        Schema::table('suppliers', function (Blueprint $table): void {
            foreach (self::OF_SUPPLIERS as $column) {
                $table->string($column)->default('');
            }
        });
        Schema::table('sites', fn (Blueprint $table) => $table->string('address')->default(''));
    }

    public function down(): void
    {
        Schema::table('suppliers', fn (Blueprint $table) => $table->dropColumn(self::OF_SUPPLIERS));
        Schema::table('sites', fn (Blueprint $table) => $table->dropColumn('address'));
    }
};
