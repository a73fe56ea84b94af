<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('runs', function (Blueprint $table): void {
            $table->unsignedSmallInteger('attempts')->default(0); // how often it was begun
            $table->unsignedBigInteger('last_conversion')->default(0); // the newest conversion that it has seen
        });
    }

    public function down(): void
    {
        Schema::table('runs', fn (Blueprint $table) => $table->dropColumn(['attempts', 'last_conversion']));
    }
};
