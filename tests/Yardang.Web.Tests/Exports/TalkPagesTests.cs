using System.Text.Json;
using System.Text.RegularExpressions;
using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Interchange;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Storage;

namespace Yardang.Web.Tests.Exports;

/// <summary>What was said about a board goes out with it, and comes back.</summary>
public sealed class TalkPagesTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    // 80 samples of silence, 8,000 of them a second.
    private static readonly byte[] s_sound = [.. "RIFF"u8, 116, 0, 0, 0, .. "WAVEfmt "u8, 16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1f, 0, 0, 0x40, 0x1f, 0, 0, 1, 0, 8, 0, .. "data"u8, 80, 0, 0, 0, .. new byte[80]];

    private static readonly Actor s_maya = new(2, Role.Student);

    [Fact]
    public async Task A_board_is_printed_and_archived_with_what_was_said_about_it_and_chosen_on_it()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        await school.StudentAsync(lesson.Code, "Maya");
        var board = await school.Get<RoomHosts>().GetAsync((await school.Get<LessonPeople>().BoardsAsync(lesson, lesson.Parts[0])).Single().Id);
        var before = Pages(await browser.GetByteArrayAsync($"/lesson/{lesson.Id}/boards.pdf", Stop));
        var mayas = await AdmitAsync(s_maya);
        var mine = await AdmitAsync(Actor.Owner);
        var (note, teachers, answer) = (Ids.Of(mayas, 1), Ids.Of(mine, 1), Ids.Of(mine, 3));
        await DoAsync(s_maya, mayas, 1, new AddMark(note, 1, Grip.Own, new NoteBody(0, 0, 5_200, 5_200, new Words("An arch pushes", "en", ["An arch pushes"], 700)), new Style(1, 0)));
        await DoAsync(Actor.Owner, mine, 1, new AddMark(teachers, 1, Grip.Own, new NoteBody(9_000, 0, 5_200, 5_200, new Words("A beam bends", "en", ["A beam bends"], 700)), new Style(1, 0)));
        await DoAsync(Actor.Owner, mine, 2, new SetMarkJudging(new Judging(JudgingKind.Choose, 1)));
        await DoAsync(Actor.Owner, mine, 3, new GiveAnswer(note, answer, 0, "en", "Where to?"));
        await DoAsync(s_maya, mayas, 2, new GiveAnswer(note, Ids.Of(mayas, 2), answer, "en", "At the banks"));
        await DoAsync(s_maya, mayas, 3, new JudgeCard(teachers, 1));
        Assert.Equal(before + 1, Pages(await browser.GetByteArrayAsync($"/lesson/{lesson.Id}/boards.pdf", Stop)));

        var first = await browser.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        var archived = ActivityArchive.Read(first).Work!.Boards.Single();
        Assert.Equal(["Where to?", "At the banks"], archived.Said!.Value.Single().Answers.OrderBy(a => a.To).Select(a => a.Text));
        Assert.Equal(teachers, archived.Results!.Value.Single().Card);
        using var brought = await TestSchool.ImportAsync(browser, first);
        var again = Guid.Parse(brought.Headers.Location!.ToString().Split('/')[^1]);
        var after = ActivityArchive.Read(await browser.GetByteArrayAsync($"/lesson/{again}.yardang.zip", Stop)).Work!.Boards.Single();
        Assert.Equal(JsonSerializer.Serialize((archived.Said, archived.Results)), JsonSerializer.Serialize((after.Said, after.Results)));
        Assert.Equal(before + 1, Pages(await browser.GetByteArrayAsync($"/lesson/{again}/boards.pdf", Stop)));

        async Task<int> AdmitAsync(Actor actor) => ((ClientAdmitted)(await board.SubmitAsync(new AdmitClient(), actor, Stop)).Envelope!.Event).Number;
        async Task DoAsync(Actor actor, int client, int counter, Command command) => Assert.NotNull((await board.SubmitAsync(new Submission(client, counter, counter - 1, 0, command), actor, Stop)).Envelope);
    }

    [Fact]
    public async Task What_a_teacher_answered_by_voice_goes_out_byte_for_byte_and_comes_back()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (_, lesson) = await school.HandOutAsync(teacher);
        await school.StudentAsync(lesson.Code, "Maya");
        var room = (await school.Get<LessonPeople>().BoardsAsync(lesson, lesson.Parts[0])).Single().Id;
        var board = await school.Get<RoomHosts>().GetAsync(room);
        var kept = await school.Get<RoomMedia>().KeepAsync(room, s_sound, Stop);
        var mine = ((ClientAdmitted)(await board.SubmitAsync(new AdmitClient(), Actor.Owner, Stop)).Envelope!.Event).Number;
        var note = new AddMark(Ids.Of(mine, 1), 1, Grip.Own, new NoteBody(0, 0, 5_200, 5_200, new Words("A beam bends", "en", ["A beam bends"], 700)), new Style(1, 0));
        Assert.NotNull((await board.SubmitAsync(new Submission(mine, 1, 0, 0, note), Actor.Owner, Stop)).Envelope);
        var said = new GiveAnswer(note.Id, Ids.Of(mine, 2), 0, "en", "", Shown: new VoiceAttachment(kept.Name, 10, "05", ""));
        Assert.NotNull((await board.SubmitAsync(new Submission(mine, 2, 1, 0, said), Actor.Owner, Stop)).Envelope);
        Assert.True(Pages(await browser.GetByteArrayAsync($"/lesson/{lesson.Id}/boards.pdf", Stop)) > 1);

        var first = await browser.GetByteArrayAsync($"/lesson/{lesson.Id}.yardang.zip", Stop);
        using var brought = await TestSchool.ImportAsync(browser, first);
        var again = ActivityArchive.Read(await browser.GetByteArrayAsync($"/lesson/{brought.Headers.Location!.ToString().Split('/')[^1]}.yardang.zip", Stop));
        Assert.Equal(said.Shown, again.Work!.Boards.Single().Said!.Value.Single().Answers.Single().Shown);
        Assert.Equal(s_sound, again.Media[kept.Name]);
    }

    [Fact]
    public void What_was_said_by_nobody_of_the_lesson_or_answers_nothing_is_not_taken_in()
    {
        var board = new ArchivedBoard([2], [new(1, Core.Pages.Texts.None, Core.Pages.PageSize.A4, Core.Pages.Paper.Plain)], []);
        var work = new ArchivedWork("Bridges", "7 Amber", DateTimeOffset.UnixEpoch, Way.OneEach, [new(2, "Maya")], []);
        string? Fault(params Answer[] answers) => WorkRules.FaultIn(work with { Boards = [board with { Said = [new(5, [.. answers])] }] })?.Sentence;
        var good = new Answer(7, 0, 2, ByStaff: false, "en", "Where to?", 1_000);
        Assert.Null(Fault(good));
        Assert.Contains("not in the lesson", Fault(good with { Author = 3 }), StringComparison.Ordinal);
        Assert.Contains("answers nothing", Fault(good with { To = 9 }), StringComparison.Ordinal);
        Assert.Contains("says nothing", Fault(good with { Text = "" }), StringComparison.Ordinal);
        Assert.Contains("says nothing", Fault(good with { Says = AnswerKind.Strength }), StringComparison.Ordinal);
        Assert.Contains("says nothing", Fault(good with { SaidAt = -1 }), StringComparison.Ordinal);
        Assert.Contains("says nothing", Fault(), StringComparison.Ordinal);
        Assert.Contains("cannot be so", WorkRules.FaultIn(work with { Boards = [board with { Results = [new(0, 5, [1])] }] })?.Sentence, StringComparison.Ordinal);
    }

    private static int Pages(byte[] pdf) => Regex.Count(System.Text.Encoding.Latin1.GetString(pdf), @"/Type\s*/Page\b");
}
