using System.Net;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Lessons;

/// <summary>A name that was typed by mistake is corrected everywhere at once.</summary>
public sealed class CorrectedNamesTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private HttpClient _teacher = null!;
    private LessonRecord _lesson = null!;
    private string _board = "";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(id);
        (_, _board) = await _school.StudentAsync(_lesson.Code, "Mya");
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task It_stands_so_on_boards_and_lists_and_all_screens_are_told_to_ask_anew()
    {
        var room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        var before = room.Durable;
        Assert.Null(await RenameAsync(2, "  Maya\tOkafor "));

        var board = Guid.Parse(_board.Split('/')[^1].Split('?')[0]);
        Assert.Contains(await _school.Get<LessonPeople>().NamesAsync(board, Actor.Owner), n => n is { Number: 2, Name: "Maya Okafor" });
        Assert.Contains("Maya Okafor", await _teacher.GetStringAsync($"/lesson/{_lesson.Id}/people.json", Stop), StringComparison.Ordinal);
        await foreach (var happened in room.FollowAsync(before, Stop))
        {
            // Whose, nobody is told who may not know names.
            Assert.IsType<NamesCorrected>(happened.Event);
            Assert.Equal(Audience.Everyone, happened.Audience);
            break;
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData(" \t ")]
    [InlineData("12345678901234567890123456789012345678901")]
    public async Task What_is_no_name_is_refused_in_a_sentence_and_changes_nothing(string name)
    {
        Assert.Equal("A name has 1 to 40 letters.", await RenameAsync(2, name));
        await using var db = await _school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        Assert.Equal("Mya", (await db.Participants.SingleAsync(p => p.LessonId == _lesson.Id, Stop)).Name);
    }

    [Fact]
    public async Task Nobody_is_renamed_who_is_not_in_this_lesson()
    {
        using var answer = await PostAsync(77, "Maya");
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    private Task<HttpResponseMessage> PostAsync(int person, string name) =>
        TestSchool.PostAsync(_teacher, "/desk", new() { ["person"] = $"{person}", ["name"] = name, ["onList"] = "true" }, $"/lesson/{_lesson.Id}/people?handler=Rename");

    private async Task<string?> RenameAsync(int person, string name)
    {
        using var answer = await PostAsync(person, name);
        using var told = System.Text.Json.JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop));
        return told.RootElement.GetProperty("problem").GetString();
    }
}
