using System.Collections.Immutable;
using System.Globalization;
using Yardang.Core.Rooms;

namespace Yardang.Core.ClassLists;

/// <summary>Somebody on a class list.</summary>
/// <param name="Number">The roster number, from 1; each once in a list.</param>
/// <param name="Name">The name; empty where a school keeps numbers only.</param>
/// <param name="Level">A hidden level by which groups are balanced, 0 to 9; 0 for none.</param>
/// <param name="Language">The language spoken at home, a BCP 47 tag in small letters; empty if it is not known.</param>
public sealed record ClassEntry(int Number, string Name, int Level = 0, string Language = "");

/// <summary>Why a line of a class list cannot be taken.</summary>
public enum ListFault
{
    /// <summary>The number is none, or not from 1 to 9,999.</summary>
    BadNumber = 1,

    /// <summary>The number stands in an earlier line.</summary>
    NumberTwice = 2,

    /// <summary>The name is too long, or cannot be read.</summary>
    BadName = 3,

    /// <summary>Neither a name nor a number.</summary>
    Nobody = 4,

    /// <summary>The level is not a figure from 0 to 9.</summary>
    BadLevel = 5,

    /// <summary>There are more people than a lesson holds.</summary>
    TooMany = 6,

    /// <summary>The language is no code such as "es".</summary>
    BadLanguage = 7,
}

/// <summary>A line that cannot be taken.</summary>
/// <param name="Line">Counted from 1.</param>
/// <param name="Fault">Why.</param>
/// <param name="Value">What stands there.</param>
public sealed record ListProblem(int Line, ListFault Fault, string Value);

/// <summary>Reads class lists, typed or from a file. Either all of it can be taken, or every line that cannot be is named.</summary>
public static class ClassListReader
{
    /// <summary>The highest roster number.</summary>
    public const int HighestNumber = 9_999;

    private const int MostProblems = 50;

    // As schools' programs call their columns, in the languages of the interface.
    private static readonly ImmutableDictionary<string, Column> s_columns = new Dictionary<string, Column>(StringComparer.OrdinalIgnoreCase)
    {
        ["name"] = Column.Name,
        ["student"] = Column.Name,
        ["full name"] = Column.Name,
        ["nombre"] = Column.Name,
        ["first name"] = Column.First,
        ["given name"] = Column.First,
        ["last name"] = Column.Last,
        ["family name"] = Column.Last,
        ["surname"] = Column.Last,
        ["apellido"] = Column.Last,
        ["number"] = Column.Number,
        ["no"] = Column.Number,
        ["no."] = Column.Number,
        ["nr"] = Column.Number,
        ["roster number"] = Column.Number,
        ["número"] = Column.Number,
        ["level"] = Column.Level,
        ["nivel"] = Column.Level,
        ["language"] = Column.Language,
        ["home language"] = Column.Language,
        ["idioma"] = Column.Language,
    }.ToImmutableDictionary(StringComparer.OrdinalIgnoreCase);

    private enum Column
    {
        Ignored,
        Name,
        First,
        Last,
        Number,
        Level,
        Language,
    }

    /// <summary>Reads rows of cells. The first row may name its columns; otherwise a cell that is a number is the number, and the rest the name.</summary>
    /// <param name="rows">Each with the number of its line.</param>
    public static (ImmutableArray<ClassEntry> Entries, ImmutableArray<ListProblem> Problems) Read(IReadOnlyList<(int Line, IReadOnlyList<string> Cells)> rows)
    {
        var filled = rows.Where(r => r.Cells.Any(c => !string.IsNullOrWhiteSpace(c))).ToList();
        var columns = filled.Count > 0 ? ColumnsIn(filled[0].Cells) : null;
        var people = new List<(int Line, int? Number, string Name, int Level, string Language)>();
        var problems = new List<ListProblem>();
        foreach (var (line, cells) in filled.Skip(columns is null ? 0 : 1))
        {
            var (number, name, level, language) = columns is null ? Guessed(cells) : Named(columns, cells);
            if (WhyNot(number, name, level, language) is { } fault) problems.Add(new(line, fault.Fault, fault.Value));
            else people.Add((line, number.Length == 0 ? null : Whole(number), PersonName.Read(name) ?? "", Whole(level) ?? 0, language.ToLowerInvariant()));
        }

        var used = new HashSet<int>();
        foreach (var person in people.Where(p => p.Number is not null))
        {
            if (!used.Add(person.Number!.Value)) problems.Add(new(person.Line, ListFault.NumberTwice, person.Number.Value.ToString(CultureInfo.InvariantCulture)));
        }

        if (people.Count > Limits.People) problems.Add(new(people[Limits.People].Line, ListFault.TooMany, people.Count.ToString(CultureInfo.InvariantCulture)));
        if (problems.Count > 0) return ([], [.. problems.OrderBy(p => p.Line).Take(MostProblems)]);

        // Those without a number get the next free ones.
        var next = 1;
        return ([.. people.Select(p => new ClassEntry(p.Number ?? NextFree(), p.Name, p.Level, p.Language)).OrderBy(e => e.Number)], []);

        int NextFree()
        {
            while (!used.Add(next)) next++;
            return next;
        }
    }

    /// <summary>The only one on a list whom a typed name or number means; null if it means nobody or several.</summary>
    public static ClassEntry? Find(IEnumerable<ClassEntry> list, string? typed)
    {
        if (PersonName.Read(typed) is not { } read) return null;
        var entries = list.ToList();
        if (Whole(read) is { } number) return entries.Find(e => e.Number == number);
        var same = entries.Where(e => CultureInfo.InvariantCulture.CompareInfo.Compare(e.Name, read, CompareOptions.IgnoreCase | CompareOptions.IgnoreNonSpace) == 0).ToList();
        return same.Count == 1 ? same[0] : null;
    }

    private static Column[]? ColumnsIn(IReadOnlyList<string> cells)
    {
        Column[] columns = [.. cells.Select(c => s_columns.GetValueOrDefault(c.Trim()))];
        return columns.Any(c => c is not Column.Ignored) ? columns : null;
    }

    private static (string Number, string Name, string Level, string Language) Named(Column[] columns, IReadOnlyList<string> cells)
    {
        string In(Column column) => string.Join(' ', cells.Where((_, i) => i < columns.Length && columns[i] == column).Select(c => c.Trim()));
        var whole = In(Column.Name);
        return (In(Column.Number), whole.Length > 0 ? whole : $"{In(Column.First)} {In(Column.Last)}".Trim(), In(Column.Level), In(Column.Language));
    }

    private static (string Number, string Name, string Level, string Language) Guessed(IReadOnlyList<string> cells)
    {
        var parts = cells.Select(c => c.Trim()).Where(c => c.Length > 0).ToList();
        var at = parts.FindIndex(p => Whole(p) is not null);
        var number = at < 0 ? "" : parts[at];
        if (at >= 0) parts.RemoveAt(at);
        return (number, string.Join(' ', parts), "", "");
    }

    private static (ListFault Fault, string Value)? WhyNot(string number, string name, string level, string language)
    {
        if (number.Length == 0 && name.Length == 0) return (ListFault.Nobody, "");
        if (number.Length > 0 && Whole(number) is not (>= 1 and <= HighestNumber)) return (ListFault.BadNumber, number);
        if (name.Length > 0 && PersonName.Read(name) is null) return (ListFault.BadName, name.Length > PersonName.MaxLength ? name[..PersonName.MaxLength] : name);
        if (language.Length > 0 && !IsLanguage(language)) return (ListFault.BadLanguage, language);
        return level.Length > 0 && Whole(level) is not (>= 0 and <= 9) ? (ListFault.BadLevel, level) : null;
    }

    private static bool IsLanguage(string tag) => tag.Length is 2 or 3 && tag.All(char.IsAsciiLetter);

    private static int? Whole(string text) => int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;
}
