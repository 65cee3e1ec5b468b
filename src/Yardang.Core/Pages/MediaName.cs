namespace Yardang.Core.Pages;

/// <summary>Names in the media store: the SHA-256 of a file's bytes as 64 hexadecimal digits.</summary>
public static class MediaName
{
    private const int Digits = 64;

    /// <summary>Whether a text can be one.</summary>
    public static bool IsValid(string name) => name.Length == Digits && name.All(char.IsAsciiHexDigitLower);
}
