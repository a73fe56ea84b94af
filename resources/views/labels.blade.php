@extends('paper')

@section('title'){{ trans('Labels of :code', ['code' => $code]) }}@endsection

@section('style'){!! '@page { margin: 10mm; } .labels td { width: 50%; height: 36mm; border: 1px dashed #a3a89f; padding: 5mm; vertical-align: top; } .big { font-size: 17px; font-weight: bold; }' !!}@endsection

@section('body')
    <table class="labels">
        @foreach (array_chunk($labels, 2) as $pair)
            <tr>
                @foreach ($pair as $label)
                    <td>
                        <div class="big">{{ $label->item }}</div>
                        <div>{{ $label->name }}</div>
                        <div class="big">{{ App\Support\Words::quantity($label->qty, $label->unit) }}</div>
                        <div>{{ $label->order === '' ? trans('for stock') : trans('for :order', ['order' => $label->order]) }} · <span class="b">{{ $label->place }}</span></div>
                        @if (App\Documents\Code128::can(App\Documents\LabelSheet::coded($label)))
                            <img src="{{ App\Documents\Code128::picture(App\Documents\LabelSheet::coded($label), 26) }}" style="height: 28px; margin-top: 4px" alt="">
                        @endif
                    </td>
                @endforeach
                @if (count($pair) === 1)<td style="border: 0"></td>@endif
            </tr>
        @endforeach
    </table>
@endsection
