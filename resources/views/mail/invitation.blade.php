@extends('mail.frame')
@section('body')
<h1 style="margin:0 0 4px;font-size:19px;line-height:1.25">{{ $meeting->title }}</h1>
<p style="margin:0 0 16px;color:#55606c">{{ $lead ?? ($coordinator ? __('mail.asks_you_through', ['host' => $host, 'coordinator' => $coordinator]) : __('mail.asks_you', ['host' => $host])) }}@if ($needed !== null) {{ __($needed ? 'mail.required' : 'mail.optional') }}@endif</p>
@if ($words)
<p style="margin:0 0 14px;padding:2px 0 2px 12px;border-left:4px solid #17202b;white-space:pre-line">{{ $words }}</p>
@endif
@foreach ($changeLines as $line)
<p style="margin:0 0 6px;padding:4px 0 4px 10px;border-left:4px solid #e0a11b;font-weight:600">{{ $line }}</p>
@endforeach
@include('mail.when')
@if ($meeting->purpose)
<p style="margin:16px 0 0;white-space:pre-line">{{ $meeting->purpose }}</p>
@endif
@if ($kit)
<p style="margin:20px 0 8px"><a href="{{ $kit['link'] }}" style="display:inline-block;background:#17202b;color:#ffffff;text-decoration:none;padding:10px 18px;border-radius:6px;font-weight:600">{{ __('mail.join') }}</a></p>
<p style="margin:0"><a href="{{ $kit['link'] }}" style="color:#17202b">{{ $kit['link'] }}</a><br>{{ __('mail.number_and_passcode', ['number' => $kit['number'], 'passcode' => $kit['passcode']]) }}</p>
<p style="margin:12px 0 0;background:#f3f4f0;padding:10px 12px">
@foreach ($kit['phones'] as $phone)
<strong>{{ __('mail.by_phone') }}</strong> <a href="{{ $phone['uri'] }}" style="color:#17202b">{{ $phone['text'] }}</a> ({{ $phone['country'] }})<br>
@endforeach
{{ __('mail.then_pin', ['number' => $kit['digits'], 'pin' => $kit['pin']]) }}</p>
@endif
@if ($where)
<p style="margin:16px 0 0"><strong>{{ __('mail.place') }}</strong> {{ $where }}</p>
@endif
@if ($meeting->agenda->isNotEmpty())
<table role="presentation" style="width:100%;border-collapse:collapse;margin:20px 0 0">
@foreach ($meeting->agenda as $item)
<tr><td style="padding:6px 0;border-top:1px solid #d6d9d2">{{ $item->title }}@if ($item->speaker) <span style="color:#55606c">{{ $item->speaker }}</span>@endif</td><td style="padding:6px 0;border-top:1px solid #d6d9d2;text-align:right;font-weight:600;white-space:nowrap">{{ $item->minutes === null ? '' : $item->minutes.' min' }}</td></tr>
@endforeach
</table>
@endif
@if ($meeting->links !== [])
<p style="margin:16px 0 0"><strong>{{ __('mail.links') }}</strong><br>
@foreach ($meeting->links as $link)
<a href="{{ $link['url'] }}" style="color:#17202b">{{ $link['label'] === '' ? $link['url'] : $link['label'] }}</a><br>
@endforeach
</p>
@endif
@if ($who !== [])
<p style="margin:16px 0 0;color:#55606c"><strong>{{ __('mail.who') }}</strong> {{ implode(', ', $who) }}</p>
@endif
<p style="margin:12px 0 0;color:#55606c">{{ __('mail.answer') }}</p>
@endsection
