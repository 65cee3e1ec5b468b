using System.Security.Cryptography;

namespace Yardang.Core.Media;

/// <summary>A name in the media store: the SHA-256 of a file's bytes as 64 hexadecimal digits. No other text can be one, so none becomes a path.</summary>
public sealed record MediaName
{
    private const int Digits = 64;

    private MediaName(string text) => Text = text;

    /// <summary>As it is kept and stands in addresses.</summary>
    public string Text { get; }

    /// <summary>The name of a file.</summary>
    public static MediaName Of(ReadOnlySpan<byte> file) => new(Convert.ToHexStringLower(SHA256.HashData(file)));

    /// <summary>The name that a text is; null if it is none.</summary>
    public static MediaName? Read(string text) => IsValid(text) ? new(text) : null;

    /// <summary>Whether a text is one.</summary>
    public static bool IsValid(string text) => text.Length == Digits && text.All(char.IsAsciiHexDigitLower);

    /// <inheritdoc/>
    public override string ToString() => Text;
}
