using System.Collections.Immutable;
using System.Globalization;
using System.IO.Compression;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Yardang.Core.ClassLists;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;

namespace Yardang.Web.ClassLists;

/// <summary>What is wrong with a OneRoster file.</summary>
public enum RosterFault
{
    /// <summary>It is no zip archive, or damaged.</summary>
    NotAZip,

    /// <summary>A file is missing in it; the value names it.</summary>
    NoFile,

    /// <summary>A column is missing in a file; the value names it.</summary>
    NoColumn,

    /// <summary>An enrolment names somebody who is not among the users.</summary>
    UnknownUser,

    /// <summary>An enrolment names a class that is not among the classes.</summary>
    UnknownClass,

    /// <summary>A name is too long, or cannot be read.</summary>
    BadName,

    /// <summary>More people than a lesson holds.</summary>
    TooMany,
}

/// <summary>A place in the file that cannot be taken.</summary>
/// <param name="File">Which file of the archive; empty for the archive itself.</param>
/// <param name="Line">Counted from 1; 0 for the whole file.</param>
/// <param name="Fault">Why.</param>
/// <param name="Value">What stands there.</param>
public sealed record RosterProblem(string File, int Line, RosterFault Fault, string Value);

/// <summary>A class of the file, with its students in the order of their family names.</summary>
public sealed record RosterClass(string Title, ImmutableArray<ClassEntry> Entries);

/// <summary>
/// Classes as a OneRoster 1.2 archive of CSV files (bulk: <c>orgs</c>, <c>users</c>, <c>classes</c>, <c>enrollments</c>), as schools' registers write them.
/// Either all of it can be read, or every place that cannot be is named.
/// </summary>
public static class OneRosterFile
{
    /// <summary>The largest archive, bytes.</summary>
    public const int MaxBytes = 8 * 1024 * 1024;

    private const int MostUnpacked = 64 * 1024 * 1024;
    private const int MostProblems = 50;

    private static readonly string[] s_manifest =
        ["manifest.version", "oneroster.version", "file.academicSessions", "file.classes", "file.courses", "file.demographics", "file.enrollments", "file.orgs", "file.users"];

    private sealed record Row(int Line, IReadOnlyDictionary<string, string> Cells)
    {
        public string this[string column] => Cells.GetValueOrDefault(column, "").Trim();

        public bool IsGone => string.Equals(this["status"], "tobedeleted", StringComparison.OrdinalIgnoreCase);
    }

    /// <summary>Reads an archive.</summary>
    public static (ImmutableArray<RosterClass> Classes, ImmutableArray<RosterProblem> Problems) Read(byte[] bytes)
    {
        var problems = new List<RosterProblem>();
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            var users = Rows(zip, "users.csv", ["sourcedId", "givenName", "familyName"], problems);
            var classes = Rows(zip, "classes.csv", ["sourcedId", "title"], problems);
            var enrolments = Rows(zip, "enrollments.csv", ["classSourcedId", "userSourcedId", "role"], problems);
            return problems.Count > 0 ? ([], [.. problems]) : Put(users, classes, enrolments);
        }
        catch (InvalidDataException)
        {
            return ([], [new("", 0, RosterFault.NotAZip, "")]);
        }
    }

    /// <summary>A class list as such an archive.</summary>
    public static byte[] Write(string title, Guid list, IEnumerable<ClassEntry> entries)
    {
        var people = entries.ToList();
        var (org, course) = ($"org-{list:N}", $"class-{list:N}");
        string Person(ClassEntry e) => string.Create(CultureInfo.InvariantCulture, $"user-{list:N}-{e.Number}");
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            Put(zip, "manifest.csv", ["propertyName", "value"], s_manifest.Select(p => (string[])[p, p switch
            {
                "manifest.version" => "1.0",
                "oneroster.version" => "1.2",
                "file.classes" or "file.enrollments" or "file.orgs" or "file.users" => "bulk",
                _ => "absent",
            }]));
            Put(zip, "orgs.csv", ["sourcedId", "status", "dateLastModified", "name", "type", "identifier", "parentSourcedId"], [[org, "", "", "School", "school", "", ""]]);
            Put(zip, "classes.csv", ["sourcedId", "status", "dateLastModified", "title", "grades", "courseSourcedId", "classCode", "classType", "location", "schoolSourcedId", "termSourcedIds", "subjects", "subjectCodes", "periods"],
                [[course, "", "", title, "", "", "", "homeroom", "", org, "", "", "", ""]]);
            Put(zip, "users.csv", ["sourcedId", "status", "dateLastModified", "enabledUser", "username", "userIds", "givenName", "familyName", "middleName", "identifier", "primaryOrgSourcedId"],
                people.Select(e => (string[])[Person(e), "", "", "true", Person(e), "", GivenName(e), FamilyName(e), "", e.Number.ToString(CultureInfo.InvariantCulture), org]));
            Put(zip, "enrollments.csv", ["sourcedId", "status", "dateLastModified", "classSourcedId", "schoolSourcedId", "userSourcedId", "role", "primary", "beginDate", "endDate"],
                people.Select(e => (string[])[$"enrolment-{Person(e)}", "", "", course, org, Person(e), "student", "", "", ""]));
        }

        return bytes.ToArray();
    }

    private static string GivenName(ClassEntry entry) => entry.Name.Length == 0 ? entry.Number.ToString(CultureInfo.InvariantCulture) : entry.Name.Split(' ')[0];

    private static string FamilyName(ClassEntry entry) => entry.Name.IndexOf(' ', StringComparison.Ordinal) is > 0 and var at ? entry.Name[(at + 1)..] : "";

    private static (ImmutableArray<RosterClass> Classes, ImmutableArray<RosterProblem> Problems) Put(List<Row> users, List<Row> classes, List<Row> enrolments)
    {
        var problems = new List<RosterProblem>();
        var people = users.Where(u => !u.IsGone).DistinctBy(u => u["sourcedId"], StringComparer.Ordinal).ToDictionary(u => u["sourcedId"], StringComparer.Ordinal);
        var open = classes.Where(c => !c.IsGone).DistinctBy(c => c["sourcedId"], StringComparer.Ordinal).ToDictionary(c => c["sourcedId"], _ => new List<Row>(), StringComparer.Ordinal);
        var closed = classes.Where(c => c.IsGone).Select(c => c["sourcedId"]).ToHashSet(StringComparer.Ordinal);
        foreach (var enrolment in enrolments.Where(e => !e.IsGone && string.Equals(e["role"], "student", StringComparison.OrdinalIgnoreCase)))
        {
            if (closed.Contains(enrolment["classSourcedId"])) continue;
            if (!open.TryGetValue(enrolment["classSourcedId"], out var there)) problems.Add(new("enrollments.csv", enrolment.Line, RosterFault.UnknownClass, enrolment["classSourcedId"]));
            else if (!people.TryGetValue(enrolment["userSourcedId"], out var user)) problems.Add(new("enrollments.csv", enrolment.Line, RosterFault.UnknownUser, enrolment["userSourcedId"]));
            else if (!there.Contains(user)) there.Add(user);
        }

        var read = new List<RosterClass>();
        foreach (var row in classes.Where(c => open.ContainsKey(c["sourcedId"])).DistinctBy(c => c["sourcedId"], StringComparer.Ordinal))
        {
            var entries = new List<ClassEntry>();
            foreach (var user in open[row["sourcedId"]].OrderBy(u => u["familyName"], StringComparer.CurrentCultureIgnoreCase).ThenBy(u => u["givenName"], StringComparer.CurrentCultureIgnoreCase))
            {
                var called = user["preferredGivenName"] is { Length: > 0 } preferred ? preferred : user["givenName"];
                var name = $"{called} {user["familyName"]}".Trim();
                if (PersonName.Read(name) is { } kept) entries.Add(new ClassEntry(entries.Count + 1, kept));
                else problems.Add(new("users.csv", user.Line, RosterFault.BadName, name.Length > PersonName.MaxLength ? name[..PersonName.MaxLength] : name));
            }

            if (entries.Count > Limits.People) problems.Add(new("classes.csv", row.Line, RosterFault.TooMany, row["title"]));
            if (entries.Count > 0) read.Add(new(row["title"], [.. entries]));
        }

        return problems.Count > 0 ? ([], [.. problems.OrderBy(p => p.File, StringComparer.Ordinal).ThenBy(p => p.Line).Take(MostProblems)]) : ([.. read], []);
    }

    private static List<Row> Rows(ZipArchive zip, string name, string[] columns, List<RosterProblem> problems)
    {
        // Some programs pack a folder.
        var entry = zip.Entries.FirstOrDefault(e => string.Equals(e.Name, name, StringComparison.OrdinalIgnoreCase));
        if (entry is null || entry.Length > MostUnpacked)
        {
            problems.Add(new("", 0, entry is null ? RosterFault.NoFile : RosterFault.TooMany, name));
            return [];
        }

        using var stream = entry.Open();
        using var copy = new MemoryStream();
        stream.CopyTo(copy);
        using var parser = new CsvParser(new StringReader(ClassListFile.TextOf(copy.ToArray())), new CsvConfiguration(CultureInfo.InvariantCulture) { BadDataFound = null, TrimOptions = TrimOptions.Trim });
        if (!parser.Read() || parser.Record is not { } head)
        {
            problems.Add(new(name, 0, RosterFault.NoColumn, columns[0]));
            return [];
        }

        var heads = head.Select(h => h.Trim()).ToArray();
        problems.AddRange(columns.Where(c => !heads.Contains(c, StringComparer.Ordinal)).Select(c => new RosterProblem(name, 1, RosterFault.NoColumn, c)));
        var rows = new List<Row>();
        while (parser.Read() && parser.Record is { } cells)
        {
            rows.Add(new(parser.RawRow, heads.Zip(cells).DistinctBy(p => p.First, StringComparer.Ordinal).ToDictionary(p => p.First, p => p.Second, StringComparer.Ordinal)));
        }

        return rows;
    }

    private static void Put(ZipArchive zip, string name, string[] head, IEnumerable<string[]> rows)
    {
        using var writer = new StreamWriter(zip.CreateEntry(name).Open(), new UTF8Encoding(false));
        using var csv = new CsvWriter(writer, CultureInfo.InvariantCulture);
        foreach (var row in rows.Prepend(head))
        {
            foreach (var cell in row) csv.WriteField(cell);
            csv.NextRecord();
        }
    }
}
