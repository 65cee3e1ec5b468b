using Yardang.Core.Attachments;

namespace Yardang.Headless.SimulatedClass;

/// <summary>Something that a student of the simulated class recorded: made beforehand, with the devices that ship with the program.</summary>
/// <param name="What">As what it is sent: <c>voice</c> or <c>film</c>.</param>
/// <param name="Words">What is said and to be seen; may be empty.</param>
public sealed record Recorded(string What, string Words)
{
    private const string Loudness = "899998979798979697959698999988999989797989797979";
    private const int VoiceMs = 6_993;
    private const int FilmMs = 5_570;
    private const int FilmWidth = 640;
    private const int FilmHeight = 480;

    /// <summary>Its bytes.</summary>
    public byte[] File => Read(IsFilm ? "model-bridge.webm" : "voice.webm");

    /// <summary>Of a film, the picture that stands for it; null for a voice.</summary>
    public byte[]? Still => IsFilm ? Read("model-bridge.jpg") : null;

    private bool IsFilm => What is "film";

    /// <summary>As it is shown on a card.</summary>
    /// <param name="media">The name of the file.</param>
    /// <param name="still">That of its still; empty for none.</param>
    public Attachment As(string media, string still) => IsFilm ? new FilmAttachment(media, still, FilmWidth, FilmHeight, FilmMs, Words) : new VoiceAttachment(media, VoiceMs, Loudness, Words);

    private static byte[] Read(string name)
    {
        using var stream = typeof(Recorded).Assembly.GetManifestResourceStream(name)!;
        using var bytes = new MemoryStream();
        stream.CopyTo(bytes);
        return bytes.ToArray();
    }
}
