using System.Threading.Channels;
using Yardang.Core.Rooms;

namespace Yardang.Web.Rooms;

/// <summary>One reader of a room, with a cursor and a pace of its own. Nobody ever waits for it.</summary>
public sealed class Subscription(Actor reader, long after, LowData? lowData)
{
    // A reader that is behind loses the oldest previews: they are forgotten anyway when the stroke arrives.
    private const int PreviewCapacity = 128;

    private readonly Channel<byte[]> _previews = Channel.CreateBounded<byte[]>(
        new BoundedChannelOptions(PreviewCapacity) { FullMode = BoundedChannelFullMode.DropOldest, SingleReader = true });

    private readonly Channel<bool> _news = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite, SingleReader = true });

    /// <summary>Who reads.</summary>
    public Actor Reader { get; } = reader;

    /// <summary>What its connection is spared; null for parts of the program.</summary>
    public LowData? LowData { get; } = lowData;

    /// <summary>Number of the last event that this reader has been given.</summary>
    public long Cursor { get; set; } = after;

    /// <summary>Whether the first frame was given.</summary>
    public bool Greeted { get; set; }

    /// <summary>Whether this reader's rights have changed.</summary>
    public bool Recalled { get; private set; }

    /// <summary>Ends this reading: the reader's rights have changed.</summary>
    public void Recall()
    {
        Recalled = true;
        Wake();
    }

    /// <summary>Says that there is something to read.</summary>
    public void Wake() => _news.Writer.TryWrite(true);

    /// <summary>Waits until there is.</summary>
    public async ValueTask NewsAsync(CancellationToken stop) => await _news.Reader.ReadAsync(stop);

    /// <summary>Leaves a preview for this reader.</summary>
    public void Preview(byte[] preview)
    {
        _previews.Writer.TryWrite(preview);
        Wake();
    }

    /// <summary>Takes the next preview, if there is one.</summary>
    public bool TryTakePreview(out byte[] preview) => _previews.Reader.TryRead(out preview!);
}
