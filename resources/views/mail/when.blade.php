@if ($allDay)
<p style="margin:0;font-size:26px;line-height:1.2;font-weight:600">{{ $date }}</p>
<p style="margin:4px 0 0;color:#55606c">{{ $days > 1 ? __('mail.days', ['days' => $days]) : __('mail.all_day') }}</p>
@else
<p style="margin:0;font-size:26px;line-height:1.2;font-weight:600">{{ $date }}, {{ $clock }}</p>
<p style="margin:4px 0 0;color:#55606c">{{ __('mail.local_time', ['place' => $place, 'length' => $length]) }}@if ($anchorLine) {{ $anchorLine }}@endif</p>
@endif
@if ($sentence)
<p style="margin:12px 0 0">{{ __('mail.repeats', ['sentence' => $sentence]) }}</p>
@if ($ownDatesLine)
<p style="margin:4px 0 0">{{ $ownDatesLine }}</p>
@endif
@foreach ($shiftLines as $line)
<p style="margin:4px 0 0;font-weight:600">{{ $line }}</p>
@endforeach
@endif
