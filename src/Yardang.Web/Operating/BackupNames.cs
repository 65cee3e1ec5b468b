using System.Text.RegularExpressions;

namespace Yardang.Web.Operating;

/// <summary>Which files are in a backup: no other name is written, nor taken out of one, so none leads anywhere else.</summary>
public static partial class BackupNames
{
    /// <summary>Whether a name below the data folder is one of them.</summary>
    public static bool IsOne(string name) => Pattern().IsMatch(name);

    [GeneratedRegex(@"\A(school\.db|log\.db|(reentry|veil)\.secret|keys/[A-Za-z0-9-]{1,80}\.xml|archives/[0-9a-f]{32}\.yardang\.zip|media/[0-9a-f]{2}/[0-9a-f]{64})\z", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Pattern();
}
