using System.IO.Compression;
using System.Net;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;
using Yardang.Web.Rooms;
using Yardang.Web.Tests.Moderation;
using static Yardang.Web.Tests.Lessons.OnWalls;

namespace Yardang.Web.Tests.PersonalData;

/// <summary>What is kept of a student is shown to those who run the lesson, and taken along.</summary>
public sealed class PersonKeptTests : InTrayLessons
{
    [Fact]
    public async Task All_that_is_theirs_is_shown_and_taken_along_and_nothing_that_is_a_classmates()
    {
        var (lesson, host) = await ClassAsync();
        await DoAsync(host, Maya, id => new PutUpCard(id, 11, "en", "Stone is <heavy>"));
        await DoAsync(host, Ben, id => new PutUpCard(id, 11, "en", "Steel is strong"));
        var address = $"/lesson/{lesson.Id}/people/{Maya.Number}";
        var page = await Varga.GetStringAsync(address, Stop);
        Assert.Contains("Maya", page, StringComparison.Ordinal);
        Assert.Contains("Stone is &lt;heavy&gt;", page, StringComparison.Ordinal);
        Assert.DoesNotContain("Steel", page, StringComparison.Ordinal);

        await using var stream = new MemoryStream(await Varga.GetByteArrayAsync($"{address}?handler=Zip", Stop));
        await using var zip = new ZipArchive(stream);
        Assert.Equal(["index.html", "jsonl"], zip.Entries.Select(e => e.FullName.StartsWith("what-was-done/1 ", StringComparison.Ordinal) ? e.FullName.Split('.')[^1] : e.FullName));
        foreach (var entry in zip.Entries)
        {
            using var reader = new StreamReader(await entry.OpenAsync(Stop));
            var text = await reader.ReadToEndAsync(Stop);
            Assert.Contains("Stone is", text, StringComparison.Ordinal);
            Assert.DoesNotContain("Steel", text, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task Nobody_else_sees_it_and_of_nobody_there_is_nothing()
    {
        var (lesson, _) = await ClassAsync();
        var (other, _) = await School.TeacherAsync("Somebody Else");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/lesson/{lesson.Id}/people/2", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}/people/99", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Varga.GetAsync($"/lesson/{lesson.Id}/people/-1?handler=Zip", Stop)).StatusCode);
    }
}
