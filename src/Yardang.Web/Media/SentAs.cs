namespace Yardang.Web.Media;

/// <summary>As what a file is sent.</summary>
public enum SentAs
{
    /// <summary>Something that was said.</summary>
    Voice,

    /// <summary>Something that was filmed.</summary>
    Film,

    /// <summary>A file that is opened elsewhere.</summary>
    File,
}

/// <summary>The words for it in addresses.</summary>
public static class SentAsWord
{
    /// <summary>What is meant; null for no such word.</summary>
    public static SentAs? Read(string? word) => word switch { "voice" => SentAs.Voice, "film" => SentAs.Film, "file" => SentAs.File, _ => null };
}
