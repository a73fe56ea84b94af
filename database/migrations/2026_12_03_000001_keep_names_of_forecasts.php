<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a forecast is for, and the days that it speaks of. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('forecast_names', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('purpose');
            $table->date('begins')->nullable();
            $table->date('ends')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('forecast_names');
    }
};
