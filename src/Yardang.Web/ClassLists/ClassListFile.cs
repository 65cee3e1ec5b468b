using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Yardang.Core.ClassLists;
using Yardang.Web.Exports;

namespace Yardang.Web.ClassLists;

/// <summary>Class lists as text and as CSV files, in the encodings and with the separators that schools' programs write.</summary>
public static class ClassListFile
{
    /// <summary>The largest file, bytes.</summary>
    public const int MaxBytes = 1024 * 1024;

    private const string Separators = ",;\t";

    /// <summary>Reads a file: UTF-8 (with or without a mark), UTF-16, else Windows-1252.</summary>
    public static (ImmutableArray<ClassEntry> Entries, ImmutableArray<ListProblem> Problems) Read(byte[] bytes) => Read(TextOf(bytes));

    /// <summary>Reads text: lines of cells, or of names alone.</summary>
    public static (ImmutableArray<ClassEntry> Entries, ImmutableArray<ListProblem> Problems) Read(string text)
    {
        var separator = SeparatorIn(text);
        using var parser = new CsvParser(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            Delimiter = separator.ToString(),
            BadDataFound = null,
            IgnoreBlankLines = false,
            TrimOptions = TrimOptions.Trim,
        });
        var rows = new List<(int, IReadOnlyList<string>)>();
        while (parser.Read()) rows.Add((parser.RawRow, parser.Record ?? []));
        return ClassListReader.Read(rows);
    }

    /// <summary>A list as CSV: UTF-8 with a mark, so that spreadsheets read it right.</summary>
    public static byte[] Write(IEnumerable<ClassEntry> entries) => Table.Write(
        ["number", "name", "level", "language"],
        entries.Select(e => new[] { e.Number.ToString(CultureInfo.InvariantCulture), e.Name, e.Level == 0 ? "" : e.Level.ToString(CultureInfo.InvariantCulture), e.Language }));

    internal static string TextOf(byte[] bytes)
    {
        if (bytes is [0xff, 0xfe, ..] or [0xfe, 0xff, ..]) return new StreamReader(new MemoryStream(bytes), Encoding.Unicode, detectEncodingFromByteOrderMarks: true).ReadToEnd();
        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes).TrimStart('\ufeff');
        }
        catch (DecoderFallbackException)
        {
            return CodePagesEncodingProvider.Instance.GetEncoding(1252)!.GetString(bytes);
        }
    }

    // The one that stands most often in the first line that has any; a comma otherwise.
    private static char SeparatorIn(string text)
    {
        var line = text.Split('\n').FirstOrDefault(l => l.AsSpan().IndexOfAny(Separators) >= 0) ?? "";
        return Separators.MaxBy(s => line.Count(c => c == s));
    }
}
