using SkiaSharp;

namespace Yardang.Rendering;

/// <summary>The pictures of one export, each read once: a page that shows the same as another adds nothing to the file.</summary>
internal sealed class PictureShelf : IDisposable
{
    private readonly Dictionary<string, SKImage?> _images = new(StringComparer.Ordinal);

    /// <summary>A picture by its name; null if it is not there, or is none.</summary>
    public SKImage? Find(string name, Func<string, byte[]?> read)
    {
        if (_images.TryGetValue(name, out var known)) return known;
        var image = read(name) is { } bytes ? DecodingGate.Run(() => SKImage.FromEncodedData(bytes)) : null;
        _images[name] = image;
        return image;
    }

    public void Dispose()
    {
        foreach (var image in _images.Values) image?.Dispose();
    }
}
