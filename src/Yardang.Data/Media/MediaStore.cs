using Yardang.Core.Media;
using Yardang.Core.Pages;

namespace Yardang.Data.Media;

/// <summary>
/// Pictures, films and sounds, each under the SHA-256 of its bytes: the same picture is kept once, and a name never means another picture. Who knows a name
/// has seen a mark that uses it; beyond that, whoever asks must have a right to a room (see docs/architecture.md).
/// </summary>
public sealed class MediaStore(string folder)
{
    /// <summary>Keeps a picture, and gives its name.</summary>
    public async Task<string> KeepAsync(byte[] bytes, CancellationToken stop = default)
    {
        var name = MediaName.Of(bytes);
        var path = PathOf(name);
        if (File.Exists(path)) return name.Text;
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        await WriteAsync(path, bytes, stop);
        return name.Text;
    }

    /// <summary>The picture with a name; null if there is none.</summary>
    public byte[]? Find(string name) => FindFile(name) is { } file ? File.ReadAllBytes(file) : null;

    /// <summary>The file with a name, for reading a part of it; null if there is none.</summary>
    public string? FindFile(string name) => MediaName.Read(name) is { } read && File.Exists(PathOf(read)) ? PathOf(read) : null;

    /// <summary>The file of a smaller version of a picture, which can be made again at any time; null if there is none yet.</summary>
    public string? FindSmall(string name) => FindFile(name) is { } file && File.Exists(SmallOf(file)) ? SmallOf(file) : null;

    /// <summary>Keeps a smaller version of a picture that is kept, and gives its file; null if the picture is not there any more.</summary>
    public async Task<string?> KeepSmallAsync(string name, byte[] bytes, CancellationToken stop = default)
    {
        if (FindFile(name) is not { } file) return null;
        await WriteAsync(SmallOf(file), bytes, stop);
        return SmallOf(file);
    }

    /// <summary>Deletes a file, if it is there.</summary>
    public void Delete(string name)
    {
        if (FindFile(name) is not { } file) return;
        File.Delete(SmallOf(file));
        File.Delete(file);
    }

    // Under a name of its own first, so that nobody ever reads half a picture.
    private static async Task WriteAsync(string path, byte[] bytes, CancellationToken stop)
    {
        var written = $"{path}.{Guid.NewGuid():N}";
        await File.WriteAllBytesAsync(written, bytes, stop);
        File.Move(written, path, overwrite: true);
    }

    private static string SmallOf(string file) => $"{file}.small";

    private string PathOf(MediaName name) => Path.Combine(folder, name.Text[..2], name.Text);
}
