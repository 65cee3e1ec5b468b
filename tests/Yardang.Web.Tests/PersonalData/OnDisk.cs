using System.Text;

namespace Yardang.Web.Tests.PersonalData;

/// <summary>As somebody would look who has the disk in their hands.</summary>
internal static class OnDisk
{
    /// <summary>Whether words are anywhere in the folder of the data, also in the name of a file.</summary>
    /// <param name="school">Whose.</param>
    /// <param name="words">Which.</param>
    /// <param name="archives">Whether archives are looked into as well.</param>
    public static bool Has(TestSchool school, string words, bool archives = true)
    {
        var wanted = Encoding.UTF8.GetBytes(words);
        foreach (var file in Directory.EnumerateFiles(school.Folder, "*", SearchOption.AllDirectories))
        {
            if (!archives && file.EndsWith(".zip", StringComparison.Ordinal)) continue;
            if (Path.GetFileName(file).Contains(words, StringComparison.Ordinal)) return true;
            using var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            using var all = new MemoryStream();
            stream.CopyTo(all);
            if (all.GetBuffer().AsSpan(0, (int)all.Length).IndexOf(wanted) >= 0) return true;
        }

        return false;
    }
}
