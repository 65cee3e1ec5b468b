using System.Globalization;
using System.Text.Json;

namespace Yardang.Web.Media;

/// <summary>How far a file has come.</summary>
/// <param name="At">So many bytes of it are here.</param>
/// <param name="Kept">What was made of it once all of it was here, as it is told; null before.</param>
public sealed record UploadState(long At, JsonElement? Kept = null);

/// <summary>
/// Files that come in pieces, so that a cut network costs a piece and not the file: each under the room, the person and an id that their browser chose. What is not finished within a day is forgotten.
/// </summary>
public sealed class Uploads(DataFolder folder, TimeProvider clock)
{
    /// <summary>Most bytes of a file.</summary>
    public const long MostBytes = 20 * 1024 * 1024;

    /// <summary>Most bytes of a piece.</summary>
    public const int MostOfPiece = 512 * 1024;

    /// <summary>Most files of one person in a room that are on their way at once.</summary>
    public const int MostAtOnce = 4;

    private static readonly TimeSpan s_kept = TimeSpan.FromDays(1);

    /// <summary>How far a file has come: nothing of one that nobody began.</summary>
    public async Task<UploadState> FindAsync(UploadName name, CancellationToken stop)
    {
        if (File.Exists(Done(name))) return new(0, JsonSerializer.Deserialize<JsonElement>(await File.ReadAllTextAsync(Done(name), stop)));
        return new(File.Exists(Part(name)) ? new FileInfo(Part(name)).Length : 0);
    }

    /// <summary>Whether a person has so much on its way that nothing more may be begun.</summary>
    public bool IsFull(UploadName name) => !File.Exists(Part(name)) && Directory.Exists(folder.Uploads) && Directory.EnumerateFiles(folder.Uploads, $"{name.OfPerson}-*.part").Take(MostAtOnce).Count() == MostAtOnce;

    /// <summary>Puts a piece behind what is here. Where it does not belong there, or another is being put there, nothing is done; how far the file has come is told.</summary>
    /// <param name="name">Of the file.</param>
    /// <param name="at">Where the piece begins.</param>
    /// <param name="piece">The bytes.</param>
    /// <param name="stop">Stops it.</param>
    public async Task<UploadState> PutAsync(UploadName name, long at, ReadOnlyMemory<byte> piece, CancellationToken stop)
    {
        if (at == 0) Forget();
        Directory.CreateDirectory(folder.Uploads);
        try
        {
            await using var file = new FileStream(Part(name), FileMode.OpenOrCreate, FileAccess.Write, FileShare.None);
            if (file.Length == at)
            {
                file.Position = at;
                await file.WriteAsync(piece, stop);
            }

            return new(file.Length);
        }
        catch (IOException)
        {
            return await FindAsync(name, stop);
        }
    }

    /// <summary>All of a file that is here.</summary>
    public Task<byte[]> ReadAsync(UploadName name, CancellationToken stop) => File.ReadAllBytesAsync(Part(name), stop);

    /// <summary>The file is kept elsewhere; what was made of it is told again to whoever did not hear it.</summary>
    public async Task DoneAsync(UploadName name, object kept, CancellationToken stop)
    {
        await File.WriteAllTextAsync(Done(name), JsonSerializer.Serialize(kept, JsonSerializerOptions.Web), stop);
        File.Delete(Part(name));
    }

    /// <summary>The file is not wanted.</summary>
    public void Drop(UploadName name) => File.Delete(Part(name));

    private void Forget()
    {
        if (!Directory.Exists(folder.Uploads)) return;
        var before = clock.GetUtcNow().UtcDateTime - s_kept;
        foreach (var file in Directory.EnumerateFiles(folder.Uploads).Where(f => File.GetLastWriteTimeUtc(f) < before)) File.Delete(file);
    }

    private string Part(UploadName name) => Path.Combine(folder.Uploads, $"{name}.part");

    private string Done(UploadName name) => Path.Combine(folder.Uploads, $"{name}.done");
}

/// <summary>A file that comes in pieces.</summary>
/// <param name="Room">Where it goes.</param>
/// <param name="Person">Whose it is, by actor number.</param>
/// <param name="Id">Chosen by their browser.</param>
public readonly record struct UploadName(Guid Room, int Person, Guid Id)
{
    /// <summary>What the names of all files of the person there begin with.</summary>
    public string OfPerson => string.Create(CultureInfo.InvariantCulture, $"{Room:N}-{Person}");

    /// <inheritdoc/>
    public override string ToString() => $"{OfPerson}-{Id:N}";
}
