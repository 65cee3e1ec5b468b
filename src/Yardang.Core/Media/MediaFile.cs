namespace Yardang.Core.Media;

/// <summary>The kinds of files in which browsers record, or which they play.</summary>
public enum MediaFormat
{
    /// <summary>WebM: what Chromium and Firefox record.</summary>
    WebM,

    /// <summary>Ogg with Opus or Vorbis.</summary>
    Ogg,

    /// <summary>MP4, also in fragments: what Safari records.</summary>
    Mp4,

    /// <summary>WAV, uncompressed.</summary>
    Wav,

    /// <summary>MP3.</summary>
    Mp3,
}

/// <summary>
/// What a sound or film is, by its content and not by its name: its container, whether there is a picture, and how long it really is. Only what browsers play is one: other codecs,
/// and files in which nothing is to be heard or seen, are none. Read within fixed bounds: each reader goes through the file once, forwards, and keeps nothing of it.
/// </summary>
/// <param name="Format">The container.</param>
/// <param name="IsFilm">Whether there is a picture.</param>
/// <param name="Duration">How long it is, ms; by what is in it, not by what it says of itself.</param>
public sealed record MediaFile(MediaFormat Format, bool IsFilm, long Duration)
{
    /// <summary>Longer is none, ms.</summary>
    public const long Longest = 24L * 60 * 60 * 1_000;

    /// <summary>As what it is served.</summary>
    public string Type => (Format, IsFilm) switch
    {
        (MediaFormat.WebM, true) => "video/webm",
        (MediaFormat.WebM, false) => "audio/webm",
        (MediaFormat.Ogg, _) => "audio/ogg",
        (MediaFormat.Mp4, true) => "video/mp4",
        (MediaFormat.Mp4, false) => "audio/mp4",
        (MediaFormat.Wav, _) => "audio/wav",
        _ => "audio/mpeg",
    };

    /// <summary>What a file is; null if it is no sound and no film, or damaged beyond playing.</summary>
    /// <param name="file">All of it.</param>
    public static MediaFile? Read(ReadOnlySpan<byte> file) =>
        WebMFile.Read(file) ?? OggFile.Read(file) ?? Mp4File.Read(file) ?? WavFile.Read(file) ?? Mp3File.Read(file);

    /// <summary>A file of so long; null if nothing is in it, or it is longer than any.</summary>
    internal static MediaFile? Of(MediaFormat format, bool isFilm, double ms) => ms is > 0 and <= Longest ? new(format, isFilm, Math.Max(1, (long)Math.Round(ms))) : null;
}
