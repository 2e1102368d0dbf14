{!! $meeting->title !!}
{!! $lead !!}{!! $needed === null ? '' : ' '.$needed !!}

@if ($words)
{!! $words !!}

@endif
@foreach ($changeLines as $line)
- {!! $line !!}
@endforeach

@include('mail.when-text')
@if ($asksToKeep)

{!! $say->say('not_forwarded') !!}
@endif

@if ($meeting->purpose)
{!! $meeting->purpose !!}

@endif
@if ($kit && $kit['link'] !== null)
{!! $say->say('join') !!}: {!! $kit['link'] !!}
{!! $kit['typed'] !!}
@endif
@if ($kit && $kit['phones'] !== [])
@foreach ($kit['phones'] as $phone)
{!! $say->say('by_phone') !!} {!! $phone['text'] !!}, {!! $phone['dials'] !!}
@endforeach
{!! $kit['dialled'] !!}
@endif
@if ($entry !== [])

{!! implode(' ', $entry) !!}
@endif
@if ($kit)

@endif
@if ($where)
{!! $say->say('place') !!}: {!! $where !!}

@endif
@if ($meeting->agenda->isNotEmpty())
{!! $say->say('agenda') !!}:
@foreach ($meeting->agenda as $item)
- {!! $item->inWords($say->language->length(...)) !!}
@endforeach

@endif
@if ($meeting->links !== [])
{!! $say->say('links') !!}:
@foreach ($meeting->links as $link)
- {!! $link['label'] === '' ? '' : $link['label'].': ' !!}{!! $link['url'] !!}
@endforeach

@endif
@if ($who !== [])
{!! $say->say('who') !!}: {!! implode(', ', $who) !!}

@endif
{!! $say->say('answer') !!}

{!! $footer !!}
