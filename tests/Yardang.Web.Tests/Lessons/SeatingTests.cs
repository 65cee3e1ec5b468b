using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Web;
using MessagePack;
using Microsoft.AspNetCore.SignalR;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Ink;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.Log;
using Yardang.Data.School;
using Yardang.Data.Wire;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Tests.Lessons;

/// <summary>Groups made, changed and dissolved, people at the door and sent away, on a real server: who gets to which board, and that nothing is lost.</summary>
public sealed class SeatingTests : IAsyncLifetime
{
    private readonly TestSchool _school = new();
    private LessonRecord _lesson = null!;
    private RoomHost _room = null!;
    private HttpClient _teacher = null!;
    private Student _maya = null!;
    private Student _ben = null!;

    private sealed record Student(HttpClient Browser, string Board, string As, int Number);

    public async ValueTask InitializeAsync()
    {
        (_teacher, var id) = await _school.TeacherAsync("Ilse Varga");
        (_, _lesson) = await _school.HandOutAsync(id);
        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        _maya = await JoinAsync("Maya", 2);
        _ben = await JoinAsync("Ben", 3);
    }

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Fact]
    public async Task In_a_group_both_work_on_one_board_and_after_dissolving_each_is_back_on_their_own_with_what_was_there()
    {
        await DrawAsync(_maya, _maya.Board);
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        var (mayas, bens) = (await PlaceAsync(_maya), await PlaceAsync(_ben));
        Assert.Equal(mayas.Board, bens.Board);
        Assert.NotEqual(_maya.Board, mayas.Board.ToString());
        Assert.Equal("Arches", mayas.Group);
        Assert.Equal(["Ben"], mayas.Others);
        await DrawAsync(_ben, mayas.Board);

        await SetGroupsAsync();
        Assert.Equal(_maya.Board, (await PlaceAsync(_maya)).Board.ToString());
        Assert.Equal(1, await MarksOnAsync(_maya.Board));
        Assert.Equal(1, await MarksOnAsync(mayas.Board));

        await CommandAsync(new UndoGroups());
        Assert.Equal(mayas.Board, (await PlaceAsync(_ben)).Board);
    }

    [Fact]
    public async Task A_group_cannot_be_read_or_written_on_by_those_who_are_not_in_it()
    {
        await SetGroupsAsync(new Group(1, "Arches", [2]));
        var board = (await PlaceAsync(_maya)).Board;
        Assert.Equal(HttpStatusCode.NotFound, (await _ben.Browser.GetAsync($"/rooms/{board}/snapshot{_ben.As}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _ben.Browser.GetAsync($"/rooms/{board}/snapshot{_ben.As}&look=1", Stop)).StatusCode);
        await CommandAsync(new SetSight(OtherBoards: true, TeachersBoard: false));
        Assert.Equal(HttpStatusCode.OK, (await _ben.Browser.GetAsync($"/rooms/{board}/snapshot{_ben.As}&look=1", Stop)).StatusCode);
        await using var hub = await HubAsync(_ben, "&look=1");
        await Assert.ThrowsAsync<HubException>(() => hub.InvokeAsync<int>("Admit", board.ToString(), Stop));
        await CommandAsync(new SetSight(OtherBoards: false, TeachersBoard: false));
        Assert.Equal(HttpStatusCode.NotFound, (await _ben.Browser.GetAsync($"/rooms/{board}/snapshot{_ben.As}&look=1", Stop)).StatusCode);
    }

    [Fact]
    public async Task Who_is_moved_while_connected_hears_so_at_once_and_what_they_still_send_is_set_aside()
    {
        await using var hub = await HubAsync(_maya);
        var client = await hub.InvokeAsync<int>("Admit", _maya.Board, Stop);
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        var together = (await PlaceAsync(_maya)).Board;
        await using var second = await HubAsync(_maya);
        var clientThere = await second.InvokeAsync<int>("Admit", together.ToString(), Stop);
        var frames = second.StreamAsync<byte[]>("Watch", together.ToString(), 0L, Stop);
        await using var reading = frames.GetAsyncEnumerator(Stop);
        Assert.True(await reading.MoveNextAsync());

        await SetGroupsAsync(new Group(1, "Arches", [3]), new Group(2, "Beams", [2]));
        while (!reading.Current.AsSpan().SequenceEqual(Frame.Recalled)) Assert.True(await reading.MoveNextAsync());
        Assert.False(await reading.MoveNextAsync());

        await second.InvokeAsync("Submit", together.ToString(), Ink(clientThere, 1), Stop);
        await Eventually.IsAsync(async () => !(await LateOnAsync(together) == 0));
        Assert.Equal(0, await MarksOnAsync(together));

        // Their own board they may write on at any time.
        await hub.InvokeAsync("Submit", _maya.Board, Ink(client, 1), Stop);
        await Eventually.IsAsync(async () => !(await MarksOnAsync(Guid.Parse(_maya.Board)) == 0));
    }

    [Fact(Timeout = 60_000)]
    public async Task Who_is_moved_just_while_connecting_hears_so_too()
    {
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        for (var round = 0; round < 60; round++)
        {
            var board = (await PlaceAsync(_maya)).Board;
            await using var hub = await HubAsync(_maya);
            var moved = SetGroupsAsync(new Group(round + 2, "Beams", [2, 3]));
            byte[]? last = null;
            for (var start = Stopwatch.GetTimestamp(); Stopwatch.GetElapsedTime(start).TotalMicroseconds < round * 100;) await Task.Yield();
            await foreach (var frame in hub.StreamAsync<byte[]>("Watch", board.ToString(), 0L, TestContext.Current.CancellationToken)) last = frame;
            Assert.Equal(Frame.Recalled, last);
            await moved;
        }
    }

    [Fact]
    public async Task What_was_never_got_through_to_an_old_board_is_handed_in_from_a_later_page_once()
    {
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        var together = (await PlaceAsync(_maya)).Board;
        await using var hub = await HubAsync(_maya);
        var client = await hub.InvokeAsync<int>("Admit", together.ToString(), Stop);
        await SetGroupsAsync();

        for (var again = 0; again < 2; again++)
        {
            Assert.Equal(HttpStatusCode.OK, await HandInAsync(_maya, together, Ink(client, 1), Ink(client, 2)));
            Assert.Equal(2, await LateOnAsync(together));
        }

        var leif = await JoinAsync("Leif", 4);
        Assert.Equal(HttpStatusCode.NotFound, await HandInAsync(leif, together, Ink(client, 3)));
        Assert.Equal(HttpStatusCode.BadRequest, await HandInAsync(_maya, together, token: "", Ink(client, 3)));
    }

    [Fact]
    public async Task Who_was_removed_is_out_at_once_may_ask_and_is_back_on_the_same_board_when_let_in()
    {
        await CommandAsync(new RemovePerson(2));
        Assert.Equal(Standing.Removed, (await PlaceAsync(_maya)).Standing);
        Assert.Equal(HttpStatusCode.NotFound, (await _maya.Browser.GetAsync($"/rooms/{_maya.Board}/snapshot{_maya.As}", Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await _maya.Browser.GetAsync($"/rooms/{_lesson.Id}/snapshot{_maya.As}", Stop)).StatusCode);
        var door = (await _maya.Browser.GetAsync($"/here{_maya.As}", Stop)).Headers.Location!.ToString();
        Assert.Contains("taken you out", await _maya.Browser.GetStringAsync(door, Stop), StringComparison.Ordinal);

        var page = await _maya.Browser.GetStringAsync(door, Stop);
        using var asked = await _maya.Browser.PostAsync($"/join/{_lesson.Code}?handler=Again&participant={_maya.As[4..]}", new FormUrlEncodedContent([new("__RequestVerificationToken", TestSchool.TokenIn(page))]), Stop);
        Assert.Equal(Standing.Waiting, (await PlaceAsync(_maya)).Standing);
        await CommandAsync(new AdmitPerson(2));
        Assert.Equal(_maya.Board, (await PlaceAsync(_maya)).Board.ToString());
        Assert.Equal(HttpStatusCode.OK, (await _maya.Browser.GetAsync($"/rooms/{_maya.Board}/snapshot{_maya.As}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Who_asks_at_the_door_sees_no_board_until_let_in()
    {
        await CommandAsync(new SetDoor(Door.Ask), seats: false);
        var leif = await JoinAsync("Leif", 4);
        Assert.StartsWith($"/join/{_lesson.Code}?as=", leif.Board, StringComparison.Ordinal);
        Assert.Contains("you are at the door", await leif.Browser.GetStringAsync(leif.Board, Stop), StringComparison.Ordinal);
        var board = (await PlaceAsync(leif)).Board;
        Assert.Equal(HttpStatusCode.NotFound, (await leif.Browser.GetAsync($"/rooms/{board}/snapshot{leif.As}", Stop)).StatusCode);
        await CommandAsync(new AdmitPerson(4));
        Assert.Equal(HttpStatusCode.OK, (await leif.Browser.GetAsync($"/rooms/{board}/snapshot{leif.As}", Stop)).StatusCode);
    }

    [Fact]
    public async Task Masked_names_never_reach_a_classmate()
    {
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        var board = (await PlaceAsync(_maya)).Board;
        Assert.Equal(["Maya", "Ben", "Ilse Varga"], await NamesAsync(_maya.Browser, board, _maya.As));
        await CommandAsync(new MaskNames(true), seats: false);
        Assert.Equal(["Maya", "Classmate 2", "Ilse Varga"], await NamesAsync(_maya.Browser, board, _maya.As));
        Assert.Equal(["Classmate 2"], (await PlaceAsync(_maya)).Others);
        Assert.DoesNotMatch(@"\bBen\b", await _maya.Browser.GetStringAsync($"/board/{board}{_maya.As}", Stop));
        Assert.Equal(["Maya", "Ben", "Ilse Varga"], await NamesAsync(_teacher, board, ""));
    }

    [Fact]
    public async Task A_restart_between_the_groups_and_their_seats_is_made_good()
    {
        // The groups are in the log, and the server is killed before anybody has been seated.
        await _room.StopAsync();
        var store = _school.Get<IEventStore>();
        var number = store.LastNumber(_lesson.Id) + 1;
        var groups = new Envelope(number, 0, Actor.Owner, 0, 0, 0, Audience.Everyone, new GroupsSet([new Group(1, "Arches", [2, 3])]));
        store.Write([new Append(_lesson.Id, number, store.Open(_lesson.Id, RoomKind.Lesson), [EventCodec.Encode(groups)], _ => { })]);

        _room = await _school.Get<RoomHosts>().GetAsync(_lesson.Id);
        await Eventually.IsAsync(async () => !((await PlaceAsync(_ben)).Board.ToString() == _ben.Board));
        Assert.Equal((await PlaceAsync(_maya)).Board, (await PlaceAsync(_ben)).Board);
    }

    [Fact]
    public async Task Loading_a_lesson_in_which_everybody_is_seated_adds_nothing_to_its_log()
    {
        await SetGroupsAsync(new Group(1, "Arches", [2, 3]));
        await _room.LookAsync(_ => { }, Stop);
        await _room.StopAsync();
        var number = _school.Get<IEventStore>().LastNumber(_lesson.Id);
        await (await _school.Get<RoomHosts>().GetAsync(_lesson.Id)).LookAsync(_ => { }, Stop);
        await PlaceAsync(_maya);
        Assert.Equal(number, _school.Get<IEventStore>().LastNumber(_lesson.Id));
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private async Task<Student> JoinAsync(string name, int number)
    {
        var (browser, board) = await _school.StudentAsync(_lesson.Code, name);
        return new(browser, board.StartsWith("/board/", StringComparison.Ordinal) ? board.Split('/', '?')[2] : board, $"?as={HttpUtility.ParseQueryString(board.Split('?')[1])["as"]}", number);
    }

    private async Task SetGroupsAsync(params Group[] groups)
    {
        var change = 0;
        await _room.LookAsync(r => change = ((Lesson)r).GroupingVersion, Stop);
        await CommandAsync(new SetGroups([.. groups], change));
    }

    // Done when everybody's place is as the lesson says.
    private async Task CommandAsync(Command command, bool seats = true)
    {
        var (_, envelope) = await _room.SubmitAsync(command, Actor.Program, Stop);
        Assert.NotNull(envelope);
        var through = 0L;
        await Eventually.IsAsync(async () =>
        {
            await _room.LookAsync(r => through = ((Lesson)r).SeatsThrough, Stop);
            return !seats || through >= envelope.Number;
        });
    }

    private static async Task<StudentPlace> PlaceAsync(Student student) =>
        (await student.Browser.GetFromJsonAsync<StudentPlace>($"/my-place{student.As}", JsonSerializerOptions.Web, Stop))!;

    private static async Task<IEnumerable<string>> NamesAsync(HttpClient browser, Guid board, string query) =>
        (await browser.GetFromJsonAsync<BoardName[]>($"/rooms/{board}/names{query}", JsonSerializerOptions.Web, Stop))!.Select(n => n.Name);

    private async Task<HubConnection> HubAsync(Student student, string more = "")
    {
        var cookies = new CookieContainer();
        foreach (Cookie cookie in ((HttpClientHandler)Handler(student.Browser)).CookieContainer.GetAllCookies()) cookies.Add(cookie);
        var hub = new HubConnectionBuilder().WithUrl(new Uri(_school.Address, $"/live{student.As}{more}"), o => o.Cookies = cookies).AddMessagePackProtocol().Build();
        await hub.StartAsync(Stop);
        return hub;
    }

    private static HttpMessageHandler Handler(HttpClient browser) =>
        (HttpMessageHandler)typeof(HttpMessageInvoker).GetField("_handler", System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Instance)!.GetValue(browser)!;

    private async Task DrawAsync(Student student, object board)
    {
        await using var hub = await HubAsync(student);
        var client = await hub.InvokeAsync<int>("Admit", board.ToString(), Stop);
        var before = await MarksOnAsync(Guid.Parse(board.ToString()!));
        await hub.InvokeAsync("Submit", board.ToString(), Ink(client, 1), Stop);
        await Eventually.IsAsync(async () => !(await MarksOnAsync(Guid.Parse(board.ToString()!)) == before));
    }

    private static byte[] Ink(int client, int counter) => CommandCodec.Encode(new Submission(client, counter, counter - 1, 0, new AddMark(
        Ids.Of(client, counter), 1, Grip.Own, new InkBody([new InkPoint(0, 0, 128, 0), new InkPoint(500, 0, 128, 9)]), new Style(0, 60))));

    private Task<HttpStatusCode> HandInAsync(Student student, Guid board, params byte[][] messages) => HandInAsync(student, board, null, messages);

    private async Task<HttpStatusCode> HandInAsync(Student student, Guid board, string? token, params byte[][] messages)
    {
        token ??= TestSchool.TokenIn(await student.Browser.GetStringAsync($"/join/{_lesson.Code}?new=true", Stop));
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/rooms/{board}/leftovers{student.As}") { Content = new ByteArrayContent(MessagePackSerializer.Serialize(messages, cancellationToken: Stop)) };
        if (token.Length > 0) request.Headers.Add("RequestVerificationToken", token);
        using var answer = await student.Browser.SendAsync(request, Stop);
        return answer.StatusCode;
    }

    private Task<int> MarksOnAsync(string board) => MarksOnAsync(Guid.Parse(board));

    private async Task<int> MarksOnAsync(Guid board) => await LookAsync(board, b => b.Sheets.Marks.Count);

    private async Task<int> LateOnAsync(Guid board) => await LookAsync(board, b => b.SetAside.Count);

    private async Task<int> LookAsync(Guid board, Func<Board, int> count)
    {
        var counted = 0;
        await (await _school.Get<RoomHosts>().GetAsync(board)).LookAsync(r => counted = count((Board)r), Stop);
        return counted;
    }
}
