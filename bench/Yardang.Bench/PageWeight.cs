using System.IO.Compression;
using System.Text.RegularExpressions;

namespace Yardang.Bench;

/// <summary>What a page brings along when it is opened first.</summary>
public static partial class PageWeight
{
    private static readonly string s_dist = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../../../src/Yardang.Web/wwwroot/dist"));

    /// <summary>Scripts with all they import, and styles, gzipped; bytes.</summary>
    public static long OfWall() => Of("wall.js", "app.css");

    /// <summary>The same of the page on which a teacher watches all the work.</summary>
    public static long OfCirculate() => Of("circulate.js", "app.css", "circulate.css");

    private static long Of(string begun, params string[] styles)
    {
        var files = new HashSet<string>(styles, StringComparer.Ordinal);
        Add(begun);
        return files.Sum(f => Gzipped(File.ReadAllBytes(Path.Combine(s_dist, f))));

        void Add(string script)
        {
            if (!files.Add(script)) return;
            foreach (Match import in Import().Matches(File.ReadAllText(Path.Combine(s_dist, script)))) Add(import.Groups["file"].Value);
        }
    }

    private static long Gzipped(byte[] bytes)
    {
        using var packed = new MemoryStream();
        using (var gzip = new GZipStream(packed, CompressionLevel.SmallestSize, leaveOpen: true)) gzip.Write(bytes);
        return packed.Length;
    }

    [GeneratedRegex("""(?:from|import)"\./(?<file>[^"]+\.js)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Import();
}
