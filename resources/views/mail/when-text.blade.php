@if ($allDay)
{!! $date !!}
{!! $days > 1 ? __('mail.days', ['days' => $days]) : __('mail.all_day') !!}
@else
{!! $date !!}, {!! $clock !!}
{!! __('mail.local_time', ['place' => $place, 'length' => $length]) !!}{!! $anchorLine ? ' '.$anchorLine : '' !!}
@endif
@if ($sentence)

{!! __('mail.repeats', ['sentence' => $sentence]) !!}
@if ($ownDatesLine)
{!! $ownDatesLine !!}
@endif
@foreach ($shiftLines as $line)
{!! $line !!}
@endforeach
@endif
