<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Quantities and times are integers of millionths; codes are the keys, as in a bundle. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('calendars', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('weekdays', 7);
        });
        Schema::create('calendar_days', function (Blueprint $table): void {
            $table->id();
            $table->string('calendar_code');
            $table->date('date');
            $table->boolean('works');
            $table->unique(['calendar_code', 'date']);
            $table->foreign('calendar_code')->references('code')->on('calendars')->cascadeOnDelete();
        });
        Schema::create('sites', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('name');
            $table->string('calendar_code')->nullable();
            $table->foreign('calendar_code')->references('code')->on('calendars');
        });
        Schema::create('items', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('name');
            $table->string('unit');
            $table->unsignedTinyInteger('decimals');
            $table->boolean('phantom');
            $table->bigInteger('unit_cost');
        });
        Schema::create('suppliers', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('name');
            $table->string('calendar_code')->nullable();
            $table->string('currency');
            $table->foreign('calendar_code')->references('code')->on('calendars');
        });
        Schema::create('supplier_items', function (Blueprint $table): void {
            $table->id();
            $table->string('supplier_code');
            $table->string('item_code');
            $table->integer('lead_days')->nullable();
            $table->bigInteger('min_qty')->nullable();
            $table->bigInteger('multiple')->nullable();
            $table->bigInteger('price')->nullable();
            $table->string('their_code');
            $table->integer('rank');
            $table->unique(['item_code', 'supplier_code']);
            $table->foreign('supplier_code')->references('code')->on('suppliers');
            $table->foreign('item_code')->references('code')->on('items');
        });
        Schema::create('planning_data', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('site_code');
            $table->string('supply');
            $table->integer('lead_days')->nullable();
            $table->string('supplier_code')->nullable();
            $table->string('from_site_code')->nullable();
            $table->bigInteger('safety_stock');
            $table->integer('safety_days');
            $table->string('lot_rule');
            $table->integer('group_days');
            $table->bigInteger('fixed_qty')->nullable();
            $table->bigInteger('stock_min')->nullable();
            $table->bigInteger('stock_max')->nullable();
            $table->bigInteger('min_qty')->nullable();
            $table->bigInteger('multiple')->nullable();
            $table->bigInteger('max_qty')->nullable();
            $table->integer('frozen_days');
            $table->unique(['item_code', 'site_code']);
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
            $table->foreign('supplier_code')->references('code')->on('suppliers');
            $table->foreign('from_site_code')->references('code')->on('sites');
        });
        Schema::create('bom_lines', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code')->index();
            $table->string('site_code')->nullable();
            $table->string('line');
            $table->string('component_code')->index();
            $table->bigInteger('qty');
            $table->string('basis');
            $table->bigInteger('base_qty');
            $table->bigInteger('scrap');
            $table->integer('offset_days');
            $table->date('valid_from')->nullable();
            $table->date('valid_to')->nullable();
            $table->integer('op')->nullable();
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('component_code')->references('code')->on('items');
            $table->foreign('site_code')->references('code')->on('sites');
        });
        Schema::create('substitutes', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code');
            $table->string('component_code');
            $table->string('substitute_code');
            $table->bigInteger('ratio');
            $table->integer('rank');
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('component_code')->references('code')->on('items');
            $table->foreign('substitute_code')->references('code')->on('items');
        });
        Schema::create('work_centres', function (Blueprint $table): void {
            $table->string('code')->primary();
            $table->string('name');
            $table->string('site_code');
            $table->string('kind');
            $table->integer('units');
            $table->bigInteger('efficiency');
            $table->string('calendar_code')->nullable();
            $table->foreign('site_code')->references('code')->on('sites');
            $table->foreign('calendar_code')->references('code')->on('calendars');
        });
        Schema::create('shifts', function (Blueprint $table): void {
            $table->id();
            $table->string('work_centre_code');
            $table->string('weekdays', 7);
            $table->integer('from_minute');
            $table->integer('to_minute');
            $table->integer('units')->nullable();
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('closures', function (Blueprint $table): void {
            $table->id();
            $table->string('work_centre_code');
            $table->string('from_instant', 16);
            $table->string('to_instant', 16);
            $table->integer('units')->nullable();
            $table->string('reason');
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('operations', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code')->index();
            $table->string('site_code')->nullable();
            $table->integer('op');
            $table->string('work_centre_code');
            $table->bigInteger('setup');
            $table->bigInteger('run');
            $table->bigInteger('base_qty');
            $table->bigInteger('queue');
            $table->bigInteger('move');
            $table->integer('crew');
            $table->string('setup_family');
            $table->foreign('item_code')->references('code')->on('items');
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('operation_alternatives', function (Blueprint $table): void {
            $table->id();
            $table->string('item_code')->index();
            $table->string('site_code')->nullable();
            $table->integer('op');
            $table->string('work_centre_code');
            $table->bigInteger('speed');
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
        Schema::create('setup_changes', function (Blueprint $table): void {
            $table->id();
            $table->string('work_centre_code');
            $table->string('from_family');
            $table->string('to_family');
            $table->bigInteger('setup');
            $table->unique(['work_centre_code', 'from_family', 'to_family']);
            $table->foreign('work_centre_code')->references('code')->on('work_centres');
        });
    }

    public function down(): void
    {
        foreach ([
            'setup_changes', 'operation_alternatives', 'operations', 'closures', 'shifts', 'work_centres', 'substitutes',
            'bom_lines', 'planning_data', 'supplier_items', 'suppliers', 'items', 'sites', 'calendar_days', 'calendars',
        ] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
