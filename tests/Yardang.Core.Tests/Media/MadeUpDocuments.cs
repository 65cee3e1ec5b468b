using System.IO.Compression;
using System.Text;

namespace Yardang.Core.Tests.Media;

/// <summary>Small files of each kind that is taken along.</summary>
internal static class MadeUpDocuments
{
    /// <summary>By name.</summary>
    public static readonly IReadOnlyDictionary<string, byte[]> All = new Dictionary<string, byte[]>(StringComparer.Ordinal)
    {
        ["pdf"] = Encoding.ASCII.GetBytes("%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj 3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 200]>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF"),
        ["text"] = Encoding.UTF8.GetBytes("bridge,load in kN\r\nQuarry arch,120\r\nBrücke am Wehr,80\r\n"),
        ["docx"] = Zip("[Content_Types].xml", "word/document.xml"),
        ["xlsx"] = Zip("[Content_Types].xml", "xl/workbook.xml"),
        ["pptx"] = Zip("[Content_Types].xml", "ppt/presentation.xml"),
        ["odt"] = Open("text"),
        ["ods"] = Open("spreadsheet"),
        ["odp"] = Open("presentation"),
        ["archive"] = Zip("activity.json", "media/a"),
    };

    /// <summary>A zip file with entries of these names.</summary>
    public static byte[] Zip(params string[] names)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var name in names) Add(zip, name, "<x/>", CompressionLevel.Fastest);
        }

        return bytes.ToArray();
    }

    private static byte[] Open(string kind)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Add(zip, "mimetype", $"application/vnd.oasis.opendocument.{kind}", CompressionLevel.NoCompression);
            Add(zip, "content.xml", "<x/>", CompressionLevel.Fastest);
        }

        return bytes.ToArray();
    }

    private static void Add(ZipArchive zip, string name, string content, CompressionLevel level)
    {
        using var entry = zip.CreateEntry(name, level).Open();
        entry.Write(Encoding.UTF8.GetBytes(content));
    }
}
