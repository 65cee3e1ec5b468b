using System.Buffers;
using MessagePack;
using Yardang.Core.Rooms;
using Yardang.Core.Visibility;
using Yardang.Data.Wire;

namespace Yardang.Web.Rooms;

/// <summary>
/// What a reader is sent: [through, [event ...], [preview ...]]. "Through" says up to which number the reader is now up to date, so that
/// events meant for others leave legal gaps. A frame with only -1 says: fetch a snapshot; with only -2: what you may do here has changed, ask again.
/// </summary>
public static class Frame
{
    /// <summary>Tells a reader who has fallen too far behind to fetch a snapshot.</summary>
    public static readonly byte[] Resync = [0x91, 0xff];

    /// <summary>Tells a reader that their rights in this room have changed.</summary>
    public static readonly byte[] Recalled = [0x91, 0xfe];

    /// <summary>A frame; null if there is nothing to say. The first one is always said: it tells the reader that the stream stands.</summary>
    public static byte[]? Of(Subscription subscription, List<Published> events, Telling telling)
    {
        var reader = subscription.Reader.ReadingWhere(telling.IsSealed);
        if (!reader.SeesAll && subscription.Cursor < telling.Since) return Resync;
        var veil = reader.SeesAll ? null : telling.Veil;
        var count = CountFor(reader, events);
        var through = events.Count == 0 ? subscription.Cursor : events[^1].Envelope.Number;
        var previews = TakePreviews(subscription);

        // That others do something is not to be seen either, where names are hidden.
        if ((events.Count == 0 || (veil is not null && count == 0)) && previews.Count == 0 && subscription.Greeted)
        {
            subscription.Cursor = through;
            return null;
        }

        subscription.Greeted = true;

        var buffer = new ArrayBufferWriter<byte>(256);
        var w = new MessagePackWriter(buffer);
        w.WriteArrayHeader(3);
        w.Write(through);
        w.WriteArrayHeader(count);
        foreach (var e in events)
        {
            if (!Sight.Of(reader, e.Envelope)) continue;
            var told = veil is null ? Sight.AsTold(reader, e.Envelope) : HiddenNames.AsTold(reader, e.Envelope, veil);
            w.WriteRaw(ReferenceEquals(told, e.Envelope) ? e.Payload : EventCodec.Encode(told));
        }

        w.WriteArrayHeader(previews.Count);
        foreach (var preview in previews) w.Write(preview);
        w.Flush();
        subscription.Cursor = through;
        return buffer.WrittenSpan.ToArray();
    }

    private static int CountFor(Actor reader, List<Published> events)
    {
        var count = 0;
        foreach (var e in events)
        {
            if (Sight.Of(reader, e.Envelope)) count++;
        }

        return count;
    }

    private static List<byte[]> TakePreviews(Subscription subscription)
    {
        var previews = new List<byte[]>();
        while (subscription.TryTakePreview(out var preview)) previews.Add(preview);
        return previews;
    }
}
