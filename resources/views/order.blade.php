@extends('paper')

@section('title'){{ trans('Purchase order :code', ['code' => $paper->code]) }}@endsection

@section('style'){!! '@page { margin: 18mm 16mm 20mm 20mm; } h1 { margin: 22px 0 4px; } .head td { width: 50%; }' !!}@endsection

@section('body')
    <table class="head">
        <tr>
            <td>
                <div class="label">{{ trans('To') }}</div>
                @foreach ($paper->supplier as $line)
                    <div class="{{ $loop->first ? 'b' : '' }}">{{ $line }}</div>
                @endforeach
                @if ($paper->contact !== '')<div>{{ $paper->contact }}</div>@endif
                @if ($paper->email !== '')<div class="m">{{ $paper->email }}</div>@endif
            </td>
            <td>
                <div class="label">{{ trans('From') }}</div>
                @foreach ($paper->company as $line)
                    <div class="{{ $loop->first ? 'b' : '' }}">{{ $line }}</div>
                @endforeach
            </td>
        </tr>
        <tr>
            <td></td>
            <td>
                <div class="label">{{ trans('Deliver to') }}</div>
                @foreach ($paper->place as $line)
                    <div class="{{ $loop->first ? 'b' : '' }}">{{ $line }}</div>
                @endforeach
            </td>
        </tr>
    </table>
    <h1>{{ trans('Purchase order :code', ['code' => $paper->code]) }}</h1>
    <p class="m">{{ App\Support\Words::day(Yposta\Core\Calendar\Day::parse($paper->day), $planDate) }} {{ substr($paper->day, 0, 4) }}{{ $paper->terms === '' ? '' : " · {$paper->terms}" }}</p>
    @if (($version ?? 1) > 1)<p class="b">{{ trans('Version :version; it takes the place of all before it.', ['version' => $version]) }}</p>@endif
    @if ($paper->text !== '')<p style="white-space: pre-line">{{ $paper->text }}</p>@endif
    @if ($paper->lines === [])
    <p class="b">{{ trans('This order is cancelled. Please deliver nothing for it, and confirm that.') }}</p>
    @else
    <table class="lines">
        <thead>
            <tr>
                <th>{{ trans('Line') }}</th><th>{{ trans('Your code') }}</th><th>{{ trans('Item') }}</th><th class="r">{{ trans('Quantity') }}</th>
                <th class="r">{{ trans('Due') }}</th><th class="r">{{ trans('Price') }}</th><th class="r">{{ trans('Value') }}</th>
            </tr>
        </thead>
        <tbody>
            @foreach ($paper->lines as $line)
                <tr>
                    <td>{{ $line->number }}</td>
                    <td class="b">{{ $line->theirs }}</td>
                    <td>{{ $line->name }}<div class="m">{{ trans('our code :code', ['code' => $line->item]) }}</div></td>
                    <td class="r">{{ App\Support\Words::quantity($line->qty, $line->unit) }}</td>
                    <td class="r">{{ App\Support\Words::day(Yposta\Core\Calendar\Day::parse($line->due), $planDate) }} {{ substr($line->due, 0, 4) }}</td>
                    <td class="r">{{ $line->price === null ? trans('no price') : App\Documents\Money::said($line->price) }}</td>
                    <td class="r">{{ $line->value === null ? '' : App\Documents\Money::said($line->value) }}</td>
                </tr>
            @endforeach
            @if ($paper->total !== null)
                <tr>
                    <td colspan="6" class="r b">{{ trans('In all') }} {{ $paper->currency }}</td>
                    <td class="r b">{{ App\Documents\Money::said($paper->total) }}</td>
                </tr>
            @endif
        </tbody>
    </table>
    <p class="m">{{ trans('Please confirm quantities and dates of each line.') }}</p>
    @endif
@endsection
