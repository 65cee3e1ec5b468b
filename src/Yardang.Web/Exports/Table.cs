using System.Globalization;
using System.Text;
using CsvHelper;

namespace Yardang.Web.Exports;

/// <summary>Tables for spreadsheets, as CSV.</summary>
public static class Table
{
    /// <summary>A table with a first line of headings: UTF-8 with a mark, so that spreadsheets read it right.</summary>
    public static byte[] Write(IEnumerable<string> headings, IEnumerable<IReadOnlyList<string>> rows)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture, leaveOpen: true))
        {
            foreach (var heading in headings) csv.WriteField(heading);
            csv.NextRecord();
            foreach (var row in rows)
            {
                foreach (var cell in row) csv.WriteField(Words(cell));
                csv.NextRecord();
            }
        }

        return [.. Encoding.UTF8.GetPreamble(), .. Encoding.UTF8.GetBytes(text.ToString())];
    }

    // What a spreadsheet would take for a formula stays words.
    private static string Words(string cell) => cell is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? $"'{cell}" : cell;
}
