using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.ClassLists;

/// <summary>A school's register as a OneRoster archive; aliases, first names and home languages of a class.</summary>
public class OneRosterTests
{
    private const string Classes = "sourcedId,status,title\nc1,,7 Amber\nc2,active,7 Birch\nc3,tobedeleted,6 Amber\n";
    private const string Users = "sourcedId,status,givenName,familyName,preferredGivenName\nu1,,Amara,Nwosu,\nu2,,Benjamin,Abara,Ben\nu3,,Maya,Lind,\nu4,tobedeleted,Gone,Away,\nt1,,Ilse,Varga,\n";
    private const string Enrolments = "sourcedId,classSourcedId,userSourcedId,role,status\ne1,c1,u1,student,\ne2,c1,u2,student,\ne3,c2,u3,student,\ne4,c1,t1,teacher,\ne5,c3,u3,student,\ne6,c1,u4,student,tobedeleted\n";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public void Students_come_in_the_order_of_their_families_and_teachers_and_what_is_deleted_stay_out()
    {
        var (classes, problems) = OneRosterFile.Read(Zip(("users.csv", Users), ("classes.csv", Classes), ("enrollments.csv", Enrolments)));
        Assert.Empty(problems);
        Assert.Equal(["7 Amber", "7 Birch"], classes.Select(c => c.Title));
        Assert.Equal([new ClassEntry(1, "Ben Abara"), new ClassEntry(2, "Amara Nwosu")], classes[0].Entries);
    }

    [Fact]
    public void What_goes_out_comes_back()
    {
        ClassEntry[] entries = [new(1, "Ben Abara"), new(2, "Amara Nwosu"), new(3, "Zofia")];
        var (classes, problems) = OneRosterFile.Read(OneRosterFile.Write("7 Amber", Guid.NewGuid(), entries));
        Assert.Empty(problems);
        Assert.Equal(["Zofia", "Ben Abara", "Amara Nwosu"], Assert.Single(classes).Entries.Select(e => e.Name));
    }

    [Fact]
    public void A_register_of_five_thousand_is_read_whole()
    {
        var users = new StringBuilder("sourcedId,givenName,familyName\n");
        var enrolments = new StringBuilder("classSourcedId,userSourcedId,role\n");
        var classes = new StringBuilder("sourcedId,title\n");
        for (var i = 0; i < 5_000; i++)
        {
            users.Append(CultureInfo.InvariantCulture, $"u{i},Student,Number{i}\n");
            enrolments.Append(CultureInfo.InvariantCulture, $"c{i / 25},u{i},student\n");
            if (i % 25 == 0) classes.Append(CultureInfo.InvariantCulture, $"c{i / 25},Class {i / 25}\n");
        }

        var (read, problems) = OneRosterFile.Read(Zip(("users.csv", users.ToString()), ("classes.csv", classes.ToString()), ("enrollments.csv", enrolments.ToString())));
        Assert.Empty(problems);
        Assert.Equal(200, read.Length);
        Assert.All(read, c => Assert.Equal(25, c.Entries.Length));
    }

    [Theory]
    [InlineData("users.csv", null, "", 0, RosterFault.NoFile, "users.csv")]
    [InlineData("users.csv", "sourcedId,givenName\nu1,Amara\n", "users.csv", 1, RosterFault.NoColumn, "familyName")]
    [InlineData("enrollments.csv", "classSourcedId,userSourcedId,role\nc1,u1,student\nc1,u9,student\n", "enrollments.csv", 3, RosterFault.UnknownUser, "u9")]
    [InlineData("enrollments.csv", "classSourcedId,userSourcedId,role\nc9,u1,student\n", "enrollments.csv", 2, RosterFault.UnknownClass, "c9")]
    public void What_cannot_be_taken_is_told_with_its_file_and_line_and_nothing_is_half_taken(string file, string? text, string inFile, int line, RosterFault fault, string value)
    {
        var files = new Dictionary<string, string?>(StringComparer.Ordinal) { ["users.csv"] = Users, ["classes.csv"] = Classes, ["enrollments.csv"] = Enrolments, [file] = text };
        var (classes, problems) = OneRosterFile.Read(Zip([.. files.Where(f => f.Value is not null).Select(f => (f.Key, f.Value!))]));
        Assert.Empty(classes);
        Assert.Contains(new RosterProblem(inFile, line, fault, value), problems);
    }

    [Fact]
    public void What_is_no_archive_is_refused() => Assert.Equal(RosterFault.NotAZip, Assert.Single(OneRosterFile.Read("number,name"u8.ToArray()).Problems).Fault);

    [Fact]
    public async Task Of_several_classes_the_one_with_the_name_in_the_form_is_taken()
    {
        await using var school = new TestSchool();
        var (teacher, id) = await school.TeacherAsync("Ilse Varga");
        var zip = Zip(("users.csv", Users), ("classes.csv", Classes), ("enrollments.csv", Enrolments));
        Assert.Contains("several classes in this file: 7 Amber, 7 Birch", await (await UploadAsync(teacher, "", zip)).Content.ReadAsStringAsync(Stop));
        Assert.Empty(await school.Get<ClassListShelf>().OfAsync(id));
        using var taken = await UploadAsync(teacher, "7 amber", zip);
        Assert.Equal(HttpStatusCode.Redirect, taken.StatusCode);
        Assert.Equal(2, Assert.Single(await school.Get<ClassListShelf>().OfAsync(id)).People);
    }

    [Fact]
    public async Task In_a_class_of_first_names_students_come_in_by_either_and_no_family_name_reaches_the_lesson()
    {
        await using var school = new TestSchool();
        var (_, id) = await school.TeacherAsync("Ilse Varga");
        var lists = school.Get<ClassListShelf>();
        var list = await lists.KeepAsync(id, null, "7 Amber", [new(1, "Amara Nwosu", 0, "ar"), new(2, "Ben Abara")], firstNamesOnly: true);
        var handing = school.Get<Handing>();
        var making = school.Get<ActivityMaking>();
        var lesson = await handing.HandOutAsync(await making.CreateAsync(id, ActivityContent.Blank("en", "Bridges")), new HandOutOrder("", ClassList: await lists.FindAsync(id, list)), "en");
        var (amara, board) = await school.StudentAsync(lesson.Code, "Amara Nwosu");
        Assert.StartsWith("/board/", (await school.StudentAsync(lesson.Code, "ben")).Board);
        Assert.Contains("\"home\":\"ar\"", await amara.GetStringAsync(board, Stop));
        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal(["Amara", "Ben"], await db.Participants.OrderBy(p => p.Number).Select(p => p.Name).ToListAsync(Stop));
    }

    [Fact]
    public async Task Numbers_get_aliases_and_names_stay()
    {
        await using var school = new TestSchool();
        var (teacher, id) = await school.TeacherAsync("Ilse Varga");
        var list = await school.Get<ClassListShelf>().KeepAsync(id, null, "7 Amber", [new(1, ""), new(2, "Ben"), new(3, "")]);
        using (await TestSchool.PostAsync(teacher, $"/classes/{list}", [], $"/classes/{list}?handler=Alias"))
        {
            var names = (await school.Get<ClassListShelf>().EntriesAsync(list)).Select(e => e.Name).ToList();
            Assert.Equal("Ben", names[1]);
            Assert.Equal(3, names.Distinct(StringComparer.Ordinal).Count());
            Assert.All(names, name => Assert.NotEqual("", name));
        }
    }

    private static async Task<HttpResponseMessage> UploadAsync(HttpClient teacher, string name, byte[] zip)
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(name), "name" },
            { new StringContent(TestSchool.TokenIn(await teacher.GetStringAsync("/classes", Stop))), "__RequestVerificationToken" },
            { new ByteArrayContent(zip), "file", "register.zip" },
        };
        return await teacher.PostAsync("/classes?handler=Keep", form, Stop);
    }

    private static byte[] Zip(params (string Name, string Text)[] files)
    {
        using var bytes = new MemoryStream();
        using (var zip = new ZipArchive(bytes, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in files)
            {
                using var writer = new StreamWriter(zip.CreateEntry(name).Open());
                writer.Write(text);
            }
        }

        return bytes.ToArray();
    }
}
