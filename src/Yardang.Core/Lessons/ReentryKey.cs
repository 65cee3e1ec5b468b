using System.Collections.Immutable;
using System.Security.Cryptography;

namespace Yardang.Core.Lessons;

/// <summary>
/// Three words that bring a student back to their board on another device. They are computed from a secret of the server and the participant, so that
/// no key is stored anywhere, and can be shown to their owner at any time. 474 words make some 10^8 keys.
/// </summary>
public sealed record ReentryKey
{
    private const int Words = 3;

    private static readonly ImmutableArray<string> s_words = Load();

    private ReentryKey(string text) => Text = text;

    /// <summary>The words, with single spaces.</summary>
    public string Text { get; }

    /// <summary>How many different keys there are.</summary>
    public static long Count => (long)s_words.Length * s_words.Length * s_words.Length;

    /// <summary>The key of a participant.</summary>
    /// <param name="secret">The server's secret.</param>
    /// <param name="participant">Whose.</param>
    /// <param name="round">Counted up to give the same participant another key.</param>
    public static ReentryKey Of(ReadOnlySpan<byte> secret, Guid participant, int round)
    {
        Span<byte> message = stackalloc byte[20];
        participant.TryWriteBytes(message);
        BitConverter.TryWriteBytes(message[16..], round);
        Span<byte> hash = stackalloc byte[HMACSHA256.HashSizeInBytes];
        HMACSHA256.HashData(secret, message, hash);
        var words = new string[Words];
        for (var i = 0; i < Words; i++) words[i] = s_words[(int)(BitConverter.ToUInt64(hash[(8 * i)..]) % (ulong)s_words.Length)];
        return new(string.Join(' ', words));
    }

    /// <summary>The key that somebody typed. Null if it is not three words of the list.</summary>
    public static ReentryKey? Read(string? typed)
    {
        if (typed is null || typed.Length > 100) return null;
        var words = typed.ToLowerInvariant().Split([' ', '-', '.', ',', '\t', '\u00a0'], StringSplitOptions.RemoveEmptyEntries);
        return words.Length == Words && Array.TrueForAll(words, s_words.Contains) ? new(string.Join(' ', words)) : null;
    }

    /// <inheritdoc/>
    public override string ToString() => Text;

    private static ImmutableArray<string> Load()
    {
        using var reader = new StreamReader(typeof(ReentryKey).Assembly.GetManifestResourceStream("key-words.txt")!);
        return [.. reader.ReadToEnd().Split([' ', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries)];
    }
}
