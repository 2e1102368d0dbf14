@extends('mail.frame')
@section('body')
<h1 dir="auto" style="margin:0 0 4px;font-size:19px;line-height:1.25">{{ $meeting->title }}</h1>
<p class="soft" style="margin:0 0 16px;color:#55606c">{{ $lead }}@if ($needed !== null) {{ $needed }}@endif</p>
@if ($words)
<p class="bar" dir="auto" style="margin:0 0 14px;padding:2px 12px;border-{{ $side }}:4px solid #17202b;white-space:pre-line">{{ $words }}</p>
@endif
@foreach ($changeLines as $line)
<p style="margin:0 0 6px;padding:4px 10px;border-{{ $side }}:4px solid #e0a11b;font-weight:600">{{ $line }}</p>
@endforeach
@include('mail.when')
@if ($asksToKeep)
<p style="margin:12px 0 0">{{ $say->say('not_forwarded') }}</p>
@endif
@if ($meeting->purpose)
<p dir="auto" style="margin:16px 0 0;white-space:pre-line">{{ $meeting->purpose }}</p>
@endif
@if ($kit && $kit['link'] !== null)
<p style="margin:20px 0 8px"><a href="{{ $kit['link'] }}" class="press" style="display:inline-block;background:#17202b;color:#ffffff;text-decoration:none;padding:10px 18px;border-radius:6px;font-weight:600">{{ $say->say('join') }}</a></p>
<p style="margin:0"><a dir="ltr" href="{{ $kit['link'] }}" style="color:#17202b">{{ $kit['link'] }}</a><br>{{ $kit['typed'] }}</p>
@endif
@if ($kit && $kit['phones'] !== [])
<p class="box" style="margin:12px 0 0;background:#f3f4f0;padding:10px 12px">
@foreach ($kit['phones'] as $phone)
<strong>{{ $say->say('by_phone') }}</strong> <a href="{{ $phone['uri'] }}" style="color:#17202b">{{ $phone['text'] }}</a>, <a href="{{ $phone['dialsUri'] }}" style="color:#17202b">{{ $phone['dials'] }}</a><br>
@endforeach
{{ $kit['dialled'] }}</p>
@endif
@if ($entry !== [])
<p style="margin:12px 0 0">{{ implode(' ', $entry) }}</p>
@endif
@if ($where)
<p style="margin:16px 0 0"><strong>{{ $say->say('place') }}</strong> {{ $where }}</p>
@endif
@if ($meeting->agenda->isNotEmpty())
<table role="presentation" style="width:100%;border-collapse:collapse;margin:20px 0 0">
@foreach ($meeting->agenda as $item)
<tr><td class="line" style="padding:6px 0;border-top:1px solid #d6d9d2">{{ $item->title }}@if ($item->speaker) <span class="soft" style="color:#55606c">{{ $item->speaker }}</span>@endif</td><td class="line" style="padding:6px 0;border-top:1px solid #d6d9d2;text-align:end;font-weight:600;white-space:nowrap">{{ $item->minutes === null ? '' : $say->language->length($item->minutes) }}</td></tr>
@endforeach
</table>
@endif
@if ($meeting->links !== [])
<p style="margin:16px 0 0"><strong>{{ $say->say('links') }}</strong><br>
@foreach ($meeting->links as $link)
<a href="{{ $link['url'] }}" style="color:#17202b">{{ $link['label'] === '' ? $link['url'] : $link['label'] }}</a><br>
@endforeach
</p>
@endif
@if ($who !== [])
<p class="soft" style="margin:16px 0 0;color:#55606c"><strong>{{ $say->say('who') }}</strong> {{ implode(', ', $who) }}</p>
@endif
<p class="soft" style="margin:12px 0 0;color:#55606c">{{ $say->say('answer') }}</p>
@endsection
