using System.Buffers.Binary;
using System.Text;
using System.Text.Unicode;

namespace Yardang.Core.Media;

/// <summary>
/// What a file is that is only taken along, by its content and not by its name: pages, words, and what offices write, without macros. Of a zip file its directory is read once, within fixed bounds; nothing in it is unpacked.
/// </summary>
public static class SentFile
{
    private const int MostEntries = 5_000;

    // What archives of ours hold (docs/archive.md).
    private const string Activity = "activity.json";

    // How the end of a zip file's directory and each entry of it begin, and how long they are without names (APPNOTE.TXT, 4.3.12 and 4.3.16).
    private const uint EndOfDirectory = 0x06054b50;
    private const uint DirectoryEntry = 0x02014b50;
    private const int EndLength = 22;
    private const int EntryLength = 46;
    private const int LongestRemark = ushort.MaxValue;

    // An OpenDocument file begins with what it is, not packed (OpenDocument 1.3, part 2, 3.3).
    private const int OpenNameAt = 30;
    private static ReadOnlySpan<byte> OpenName => "mimetypeapplication/vnd.oasis.opendocument."u8;

    /// <summary>What it is; null for what is not taken.</summary>
    /// <param name="file">All of it.</param>
    public static FileFormat? Read(ReadOnlySpan<byte> file)
    {
        if (file.IsEmpty) return null;
        if (file.StartsWith("%PDF-"u8)) return FileFormat.Pdf;
        if (file.StartsWith("PK\u0003\u0004"u8)) return OpenDocument(file) ?? Packed(file);
        return IsText(file) ? FileFormat.Text : null;
    }

    /// <summary>What it is called with the ending that belongs to it, whatever ending it had.</summary>
    public static string NameFor(string name, FileFormat format)
    {
        var endings = Endings(format);
        if (endings.Any(e => name.Length > e.Length && name.EndsWith(e, StringComparison.OrdinalIgnoreCase))) return name;
        var bare = Path.GetFileNameWithoutExtension(name);
        return (bare.Length > 0 ? bare : name) + endings[0];
    }

    private static string[] Endings(FileFormat format) => format switch
    {
        FileFormat.Pdf => [".pdf"],
        FileFormat.Text => [".txt", ".csv", ".tsv", ".md"],
        FileFormat.Archive => [".yardang.zip"],
        _ => [$".{format.ToString().ToLowerInvariant()}"],
    };

    // Words in UTF-8, with nothing in them that is not words: no other file looks so.
    private static bool IsText(ReadOnlySpan<byte> file)
    {
        foreach (var b in file)
        {
            if (b < ' ' && b is not ((byte)'\t' or (byte)'\n' or (byte)'\r' or (byte)'\f')) return false;
        }

        return Utf8.IsValid(file);
    }

    private static FileFormat? OpenDocument(ReadOnlySpan<byte> file)
    {
        if (file.Length < OpenNameAt || !file[OpenNameAt..].StartsWith(OpenName)) return null;
        var kind = file[(OpenNameAt + OpenName.Length)..];
        return kind.StartsWith("textPK"u8) ? FileFormat.Odt : kind.StartsWith("spreadsheetPK"u8) ? FileFormat.Ods : kind.StartsWith("presentationPK"u8) ? FileFormat.Odp : null;
    }

    private static FileFormat? Packed(ReadOnlySpan<byte> file)
    {
        var end = EndOf(file);
        if (end < 0) return null;
        int entries = BinaryPrimitives.ReadUInt16LittleEndian(file[(end + 10)..]);
        long at = BinaryPrimitives.ReadUInt32LittleEndian(file[(end + 16)..]);
        if (entries is 0 or > MostEntries) return null;
        FileFormat? found = null;
        var isOffice = false;
        for (var i = 0; i < entries; i++)
        {
            if (at + EntryLength > file.Length || BinaryPrimitives.ReadUInt32LittleEndian(file[(int)at..]) != DirectoryEntry) return null;
            var entry = file[(int)at..];
            int name = BinaryPrimitives.ReadUInt16LittleEndian(entry[28..]), more = BinaryPrimitives.ReadUInt16LittleEndian(entry[30..]), remark = BinaryPrimitives.ReadUInt16LittleEndian(entry[32..]);
            if (EntryLength + name > entry.Length) return null;
            var called = Encoding.UTF8.GetString(entry.Slice(EntryLength, name));
            if (called.EndsWith("vbaProject.bin", StringComparison.OrdinalIgnoreCase)) return null;
            isOffice |= called is "[Content_Types].xml";
            found ??= called switch
            {
                "word/document.xml" => FileFormat.Docx,
                "xl/workbook.xml" => FileFormat.Xlsx,
                "ppt/presentation.xml" => FileFormat.Pptx,
                Activity => FileFormat.Archive,
                _ => null,
            };
            at += EntryLength + name + more + remark;
        }

        return isOffice || found == FileFormat.Archive ? found : null;
    }

    // Behind it stands a remark at most.
    private static int EndOf(ReadOnlySpan<byte> file)
    {
        for (var at = file.Length - EndLength; at >= 0 && at >= file.Length - EndLength - LongestRemark; at--)
        {
            if (BinaryPrimitives.ReadUInt32LittleEndian(file[at..]) == EndOfDirectory) return at;
        }

        return -1;
    }
}
