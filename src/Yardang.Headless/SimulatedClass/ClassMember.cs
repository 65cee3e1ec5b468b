using System.Collections.Immutable;
using System.Net;
using System.Text.Json;
using System.Text.RegularExpressions;
using MessagePack;
using Microsoft.AspNetCore.SignalR.Client;
using Microsoft.Extensions.DependencyInjection;
using Yardang.Core.Activities;
using Yardang.Core.Attachments;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Judges;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Headless.SimulatedClass;

/// <summary>A simulated student: joins through the front door like anybody, and works through the real hub.</summary>
public sealed partial class ClassMember : IAsyncDisposable
{
    private const int TextSize = 700;
    private const int NoteSide = 5_200;
    private const int NoteSize = 600;
    private const int LabelWidth = 4_200;
    private const int LabelHeight = 1_800;
    private const int LabelSize = 450;
    private const int PreviewPoints = 8;
    private const int MostLooks = 500;
    private static readonly TimeSpan s_look = TimeSpan.FromMilliseconds(20);
    private static readonly TimeSpan s_previewEvery = TimeSpan.FromMilliseconds(110);

    private readonly HttpClient _http;
    private readonly HubConnection _hub;
    private readonly int _number;
    private readonly string _query;
    private readonly string _token;
    private readonly HashSet<int> _confirmed = [];
    private readonly HashSet<int> _called = [];
    private LiveRoom? _work;
    private LiveRoom? _lesson;

    private ClassMember(HttpClient http, HubConnection hub, int number, string query, string token) => (_http, _hub, _number, _query, _token) = (http, hub, number, query, token);

    /// <summary>Joins with the code and a name.</summary>
    public static async Task<ClassMember> JoinAsync(Uri server, string code, string name)
    {
        var cookies = new CookieContainer();
        var http = new HttpClient(new HttpClientHandler { CookieContainer = cookies, AutomaticDecompression = DecompressionMethods.All }) { BaseAddress = server };
        var form = await http.GetStringAsync($"/join/{code}");
        using var answer = await http.PostAsync($"/join/{code}", new FormUrlEncodedContent(new Dictionary<string, string>(StringComparer.Ordinal)
        {
            ["name"] = name,
            ["__RequestVerificationToken"] = TokenPattern().Match(form).Groups["token"].Value,
        }));
        var page = await answer.Content.ReadAsStringAsync();
        var data = DataIn(page) ?? throw new InvalidOperationException($"{name} could not join.");
        var query = data.GetProperty("query").GetString()!;
        var hub = new HubConnectionBuilder().WithUrl(new Uri(server, $"/live{query}"), o => o.Cookies = cookies).AddMessagePackProtocol().WithAutomaticReconnect(new SteadyRetry()).Build();
        var member = new ClassMember(http, hub, data.GetProperty("actor").GetInt32(), query, PageTokenPattern().Match(page).Groups["token"].Value);
        await hub.StartAsync();
        member._work = await member.EnterAsync(data);
        member._lesson = await LiveRoom.EnterAsync(hub, http, data.GetProperty("lesson").GetGuid(), query, () => new Lesson());
        return member;
    }

    private static JsonElement? DataIn(string page) => DataPattern().Match(page) is { Success: true } found ? JsonDocument.Parse(found.Groups["data"].Value).RootElement : null;

    private Task<LiveRoom> EnterAsync(JsonElement data)
    {
        var isWall = string.Equals(data.GetProperty("kind").GetString(), nameof(RoomKind.Wall), StringComparison.Ordinal);
        return LiveRoom.EnterAsync(_hub, _http, data.GetProperty("work").GetGuid(), _query, () => isWall ? new Wall(WallPlan.Blank) : new Board(ActivityContent.Blank("en", "")));
    }

    private void Judge()
    {
        var cards = _work!.Do(c => c.Room is Wall { Plan.Rules.Judging: not null } wall ? wall.Cards.Values.Where(card => card.IsUp && card.Author != _number).ToList() : []);
        foreach (var card in cards.Where(card => (card.Id + _number) % 3 != 0))
        {
            var value = (int)((card.Order + _number) % 5) switch { 0 => 3, 1 => 2, _ => 1 };
            _work!.Do(c => c.Submit(new JudgeCard(card.Id, value), 0));
        }
    }

    private async Task PutUpAsync(PutsUpCard put, CancellationToken stop)
    {
        List<Attachment> shown = [];
        if (put.Sketch is { } kind) shown.Add(BridgeDrawing.Sketch(kind, new Random(_number)));
        if (put.Search is { } words && await FindAsync(words, stop) is { } picture) shown.Add(picture);
        if (put.Recorded is { } recorded && await SendAsync(recorded, stop) is { } sent) shown.Add(sent);
        _work!.Do(c =>
        {
            var wall = (Wall)c.Room;
            ImmutableArray<Attachment> allowed = [.. shown.Where(a => wall.Plan.Rules.Shows.HasFlag(a.Kind()))];
            var id = c.NewId();
            return c.Submit(new PutUpCard(id, TopicAt(wall, put.Topic), "en", put.Words, allowed.IsEmpty ? null : allowed), id);
        });
    }

    // In one piece: it is small.
    private async Task<Attachment?> SendAsync(Recorded recorded, CancellationToken stop)
    {
        var (file, still) = (recorded.File, "");
        if (recorded.Still is { } picture)
        {
            using var form = new MultipartFormDataContent { { new ByteArrayContent(picture), "picture", "still.jpg" } };
            still = await MediaOfAsync(HttpMethod.Post, $"media{_query}&of={recorded.What}", form, stop) ?? "";
        }

        using var piece = new ByteArrayContent(file);
        return await MediaOfAsync(HttpMethod.Put, $"uploads/{Guid.NewGuid()}{_query}&what={recorded.What}&at=0&of={file.Length}", piece, stop) is { } media ? recorded.As(media, still) : null;
    }

    private async Task<string?> MediaOfAsync(HttpMethod method, string address, HttpContent content, CancellationToken stop)
    {
        using var request = new HttpRequestMessage(method, $"/rooms/{_work!.Room}/{address}") { Content = content };
        request.Headers.Add("RequestVerificationToken", _token);
        using var answer = await _http.SendAsync(request, stop);
        if (!answer.IsSuccessStatusCode) return null;
        var told = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(stop)).RootElement;
        return (told.TryGetProperty("kept", out var kept) ? kept : told).GetProperty("media").GetString();
    }

    // The first that is found.
    private async Task<PictureAttachment?> FindAsync(string words, CancellationToken stop)
    {
        var address = $"/rooms/{_work!.Room}/pictures";
        using var found = await _http.GetAsync($"{address}{_query}&words={Uri.EscapeDataString(words)}", stop);
        if (!found.IsSuccessStatusCode) return null;
        var all = JsonDocument.Parse(await found.Content.ReadAsStringAsync(stop)).RootElement;
        if (all.GetArrayLength() == 0) return null;
        using var take = new HttpRequestMessage(HttpMethod.Post, $"{address}/{all[0].GetProperty("id").GetString()}{_query}");
        take.Headers.Add("RequestVerificationToken", _token);
        using var taken = await _http.SendAsync(take, stop);
        if (!taken.IsSuccessStatusCode) return null;
        var file = JsonDocument.Parse(await taken.Content.ReadAsStringAsync(stop)).RootElement;
        return new(file.GetProperty("media").GetString()!, file.GetProperty("width").GetInt32(), file.GetProperty("height").GetInt32(), all[0].GetProperty("title").GetString()!);
    }

    // By the list of contents, once all that was done here has arrived.
    private async Task GoAsync(int part, CancellationToken stop)
    {
        while (Waiting > 0) await Task.Delay(s_look, stop);
        var place = JsonDocument.Parse(await _http.GetStringAsync($"/my-place{_query}", stop)).RootElement;
        var there = place.GetProperty("contents").EnumerateArray().First(p => p.GetProperty("number").GetInt32() == part).GetProperty("address").GetString();
        if (there is null || DataIn(await _http.GetStringAsync(there, stop)) is not { } data) return;
        _work!.Dispose();
        _work = await EnterAsync(data);
    }

    // As a browser does when something that was handed out late is on its screen.
    private void ConfirmChanges()
    {
        foreach (var number in _work!.Do(c => c.Room is not Board board ? [] : board.Adopted.Values.Where(a => !a.GivenUp).Select(a => a.Number).ToList()).Where(_confirmed.Add))
        {
            _lesson!.Do(c => c.Submit(new ConfirmLateChange(number), 0));
        }
    }

    // Also that it was said.
    private void ConfirmCalls()
    {
        foreach (var number in _lesson!.Do(c => ((Lesson)c.Room).Calls.All.Values.Where(call => call.EndedAt is null && call.IsFor(_number)).Select(call => call.Number).ToList()).Where(_called.Add))
        {
            _lesson!.Do(c => c.Submit(new ConfirmCall(number, false, ""), 0));
        }
    }

    /// <summary>Commands that are not yet kept by the server.</summary>
    public int Waiting => _work!.Do(c => c.Outbox.Count) + _lesson!.Do(c => c.Outbox.Count);

    /// <summary>Whether the teacher lets this student write now.</summary>
    public bool MayWrite => _lesson!.Do(c =>
    {
        var (lesson, now) = ((Lesson)c.Room, TimeProvider.System.GetUtcNow().ToUnixTimeMilliseconds());
        return lesson.IsWriting(now) && lesson.People.GetValueOrDefault(_number)?.IsHeld(now) != true;
    });

    /// <summary>Whether the events of their board or wall are coming.</summary>
    public bool IsFollowing => _work!.Following;

    /// <summary>What was acknowledged on their board or wall so far: its room, the client's number, and the counter of the latest command in the log.</summary>
    public (Guid Board, int Client, int Counter) Acknowledged => _work!.Do(c => (_work.Room, c.Client, c.LastInLog));

    /// <summary>Does the next thing; in a lively way it takes its time, otherwise not.</summary>
    public async Task DoAsync(Doing doing, bool lively, CancellationToken stop)
    {
        ConfirmChanges();
        ConfirmCalls();
        switch (doing)
        {
            case Draws(var points, var colour):
                if (lively) await PreviewAsync(points, colour, doing.Page, stop);
                Add(doing.Page, new InkBody(points), new Style(colour, 60));
                break;
            case DrawsShape(var shape, var style):
                Add(doing.Page, shape, style);
                break;
            case Moves(var which, var x, var y):
                Move(doing.Page, which, x, y);
                break;
            case Types(var x, var y, var words):
                Add(doing.Page, new TextBody(x, y, Math.Max(3_000, words.Length * 360), 900, new Words(words, "en", [words], TextSize)), new Style(0, 0));
                break;
            case PutsUpNote(var x, var y, var words, var colour, false):
                Add(doing.Page, new NoteBody(x, y, NoteSide, NoteSide, new Words(words, "en", Broken(words, 14), NoteSize)), new Style(colour, 0));
                break;
            case PutsUpNote(var x, var y, var words, var colour, true):
                Add(doing.Page, new NoteBody(x, y, LabelWidth, LabelHeight, new Words(words, "en", Broken(words, 16), LabelSize)), new Style(colour, 0));
                break;
            case PutsRecording(var x, var y, var width, var height, var recorded):
                if (await SendAsync(recorded, stop) is { } sent) Add(doing.Page, new ShownBody(x, y, width, height, sent), new Style(0, 0));
                break;
            case JudgesCards:
                Judge();
                break;
            case PutsUpCard put:
                await PutUpAsync(put, stop);
                break;
            case RewordsCard(var words):
                await ChangeLastAsync(card => new RewordCard(card.Id, card.Language, words), stop);
                break;
            case MovesCard(var topic):
                await ChangeLastAsync(card => new MoveCard(card.Id, TopicAt((Wall)_work!.Do(c => c.Room), topic), card.Order), stop);
                break;
            case AnswersCard(var words):
                Answer(words);
                break;
            case GoesToStation(var station):
                _work!.Do(c => c.Submit(new VisitStation(TopicAt((Wall)c.Room, station)), 0));
                break;
            case PlacesCard(var which, var at):
                _work!.Do(c => ((Wall)c.Room).Cards.Keys.ElementAtOrDefault(which) is > 0 and var card ? c.Submit(new PlaceCard(card, new(LineKind.Ends, at)), c.NewId()) : null);
                break;
            case LinksCards(var from, var to, var words):
                await AreThereAsync([from, to], stop);
                _work!.Do(c => Beginning(c, from) is { } first && Beginning(c, to) is { } second ? Link(c, first.Id, second.Id, words) : null);
                break;
            case PutsUpBeside beside:
                if (beside.Beside.Length > 0) await AreThereAsync([beside.Beside], stop);
                _work!.Do(c => PutUp(c, beside));
                break;
            case AsksToo(var beginning):
                Of(beginning, (_, card) => card.Askers.Contains(_number) ? null : new AskToo(card.Id, true));
                break;
            case TellsTeacher(var beginning, var reason, var words):
                Of(beginning, (_, card) => new RaiseConcern(card.Id, 0, reason, words));
                break;
            case RespondsTo(var beginning, var stamp):
                Of(beginning, (_, card) => card.Responded.Any(r => r.Stamp.Equals(stamp, StringComparison.Ordinal) && r.People.Contains(_number)) ? null : new RespondToCard(card.Id, stamp, true));
                break;
            case AnswersQuestion(var beginning, var words):
                Of(beginning, (c, card) => new GiveAnswer(card.Id, c.NewId(), 0, "en", words));
                break;
            case SaysOf says:
                for (var looks = 0; looks < MostLooks && _work!.Do(c => SayOf((Board)c.Room, says, c)) is null; looks++) await Task.Delay(s_look, stop);
                break;
            case FindsAnswer(var words):
                await FindAnswerAsync(words, stop);
                break;
            case GoesTo(var part):
                await GoAsync(part, stop);
                break;
            case Signals(var signal, var on, var reason, var words):
                _lesson!.Do(c => c.Submit(new GiveSignal(_number, signal, on, reason, words), 0));
                break;
            case Reports(var report):
                _lesson!.Do(c => c.Submit(new GiveReport(report), 0));
                break;
            case Network(var on):
                if (on) await _hub.StartAsync(stop);
                else await _hub.StopAsync(stop);
                break;
        }
    }

    // Null as long as there is nothing to say it of: classmates may be about to.
    private static Submission? SayOf(Board board, SaysOf says, RoomClient client)
    {
        var mark = board.Sheets.Marks.Values.FirstOrDefault(m => !m.Erased && m.Words?.Text.StartsWith(says.Beginning, StringComparison.Ordinal) == true);
        if (mark is null) return null;
        var first = board.Talk.About(mark.Id) is [var said, ..] ? said.Id : 0;
        return says.IsReply && first == 0 ? null : client.Submit(new GiveAnswer(mark.Id, client.NewId(), says.IsReply ? first : 0, "en", says.Words), 0);
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        _work?.Dispose();
        _lesson?.Dispose();
        await _hub.DisposeAsync();
        _http.Dispose();
    }

    // The demo's notes are short, so that a guess at the width of letters does.
    private static ImmutableArray<string> Broken(string words, int lettersPerLine)
    {
        var lines = new List<string> { "" };
        foreach (var word in words.Split(' '))
        {
            if (lines[^1].Length > 0 && lines[^1].Length + 1 + word.Length > lettersPerLine) lines.Add(word);
            else lines[^1] = lines[^1].Length == 0 ? word : $"{lines[^1]} {word}";
        }

        return [.. lines];
    }

    [GeneratedRegex("""name="__RequestVerificationToken" type="hidden" value="(?<token>[^"]+)""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex TokenPattern();

    [GeneratedRegex("data-token=\"(?<token>[^\"]+)", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex PageTokenPattern();

    [GeneratedRegex("""id="page-data">(?<data>.*?)</script>""", RegexOptions.Singleline | RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex DataPattern();

    // Classmates may be about to put it up.
    private async Task AreThereAsync(string[] beginnings, CancellationToken stop)
    {
        for (var looks = 0; looks < MostLooks && !_work!.Do(c => beginnings.All(b => Beginning(c, b) is not null)); looks++) await Task.Delay(s_look, stop);
    }

    private static Card? Beginning(RoomClient c, string beginning) => ((Wall)c.Room).Cards.Values.FirstOrDefault(card => beginning.Length > 0 && card.IsUp && card.Text.StartsWith(beginning, StringComparison.Ordinal));

    // With the teacher's words, if there are such.
    private static Submission Link(RoomClient c, long from, long to, string words)
    {
        var known = ((Wall)c.Room).Plan.FieldShown?.Words.FirstOrDefault(w => w.Text.ByLanguage.Values.Contains(words, StringComparer.Ordinal));
        return c.Submit(known is null ? new LinkCards(c.NewId(), from, to, 0, "en", words) : new LinkCards(c.NewId(), from, to, known.Id, "", ""), 0);
    }

    private static Submission PutUp(RoomClient c, PutsUpBeside put)
    {
        var beside = Beginning(c, put.Beside);
        var id = c.NewId();
        var done = c.Submit(new PutUpCard(id, WallPlan.Nowhere, "en", put.Words, Beside: beside?.Id ?? 0), id);
        if (beside is null) return done;
        return put.IsTurned ? Link(c, id, beside.Id, put.Link) : Link(c, beside.Id, id, put.Link);
    }

    private void Add(int page, MarkBody body, Style style) => _work!.Do(c =>
    {
        var id = c.NewId();
        return c.Submit(new AddMark(id, ((Board)c.Room).Sheets.Pages[page].Id, Grip.Own, body, style), id);
    });

    private void Move(int page, int which, int x, int y) => _work!.Do(c =>
    {
        var sheets = ((Board)c.Room).Sheets;
        var mark = sheets.Visible(sheets.Pages[page].Id).Where(m => m.Grip == Grip.Loose).ElementAt(which);
        var middle = mark.Body.Box().Middle;
        return c.Submit(new MakeChanges([new Placed(mark.Id, new Place(x - (int)middle.X, y - (int)middle.Y, mark.Place.Turn))]), c.NewId());
    });

    // Nothing happens as long as they have none.
    private async Task ChangeLastAsync(Func<Card, Command> change, CancellationToken stop)
    {
        while (Waiting > 0 && _hub.State == HubConnectionState.Connected) await Task.Delay(s_look, stop);
        var last = _work!.Do(c => ((Wall)c.Room).Cards.Values.LastOrDefault(card => card is { IsUp: true, ByStaff: false } && card.Author == _number));
        if (last is not null) _work!.Do(c => c.Submit(change(last), c.NewId()));
    }

    private void Answer(string words) => _work!.Do(c =>
    {
        var others = ((Wall)c.Room).Cards.Values.LastOrDefault(card => card is { IsUp: true, ByStaff: false } && card.Author != _number);
        return others is null ? null : c.Submit(new GiveAnswer(others.Id, c.NewId(), 0, "en", words), c.NewId());
    });

    // Nothing happens as long as nobody has asked it.
    private void Of(string beginning, Func<RoomClient, Card, Command?> does) => _work!.Do(c =>
    {
        var card = ((Wall)c.Room).Cards.Values.Where(k => k.IsUp && (k.ByStaff || k.Author != _number) && k.Text.StartsWith(beginning, StringComparison.Ordinal)).MinBy(k => k.PutUpAt);
        return card is not null && does(c, card) is { } command ? c.Submit(command, c.NewId()) : null;
    });

    private async Task FindAnswerAsync(string words, CancellationToken stop)
    {
        var answer = _work!.Do(c => c.NewId());
        await ChangeLastAsync(card => new GiveAnswer(card.Id, answer, 0, "en", words), stop);
        await ChangeLastAsync(card => new FileQuestion(card.Id, answer), stop);
    }

    private static long TopicAt(Wall wall, int place) => place < wall.Plan.Topics.Length ? wall.Plan.Topics[place].Id : WallPlan.Nowhere;

    // [stroke, page, colour, width, from, points], as the browser sends it.
    private async Task PreviewAsync(ImmutableArray<InkPoint> points, int colour, int pageNumber, CancellationToken stop)
    {
        var page = _work!.Do(c => ((Board)c.Room).Sheets.Pages[pageNumber].Id);
        for (var from = 0; from < points.Length; from += PreviewPoints)
        {
            int[] flat = [.. points.Skip(from).Take(PreviewPoints).SelectMany(p => new[] { p.X, p.Y, p.Pressure, p.Ms })];
            await _work.PreviewAsync(MessagePackSerializer.Serialize(new object[] { points[0].X, page, colour, 60, from, flat }, cancellationToken: stop));
            await Task.Delay(s_previewEvery, stop);
        }
    }
}
