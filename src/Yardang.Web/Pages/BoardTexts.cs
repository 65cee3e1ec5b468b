using Microsoft.Extensions.Localization;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Shapes;

namespace Yardang.Web.Pages;

/// <summary>The texts that a page with a board or draft on it hands to its scripts.</summary>
public static class BoardTexts
{
    // As in Client/shapes/figures.ts.
    private static readonly string[] s_figureTools =
    [
        "line", "arrow", "doubleArrow", "polyline", "scalene", "isosceles", "equilateral", "right", "square", "rectangle", "parallelogram",
        "rhombus", "trapezium", "kite", "regular5", "regular6", "regular7", "regular8", "regular9", "regular10", "polygon", "circle", "ellipse", "arc",
    ];

    // As in Client/workshop/pdf-pages.ts.
    private static readonly string[] s_importFaults = ["locked", "damaged", "tooLarge", "empty"];

    // As in Client/threads/talk.ts: the same words as on walls.
    private static readonly string[] s_talk =
    [
        "Answer", "Done", "Answers", "AnswersOne", "AnswersTo", "AnswerTo", "Answering", "AnswersEnded", "ChangeAnswer", "AnswerWords", "AnswerDown", "AnswerDownByTeacher",
        "FreshAnswers", "FreshAnswersOne", "WriteAnswer", "SpeakAnswer", "VoiceSays", "SharesOnItsWay", "TakeOff", "SaidAloud", "Strength", "OpenQuestion", "Teacher", "You", "Say", "Keep", "Change", "TakeDown", "PutBack", "Cancel",
        "Agree", "Unsure", "Disagree", "Choose", "Chosen", "Said", "ChosenBy", "ChosenByOne", "Round", "Shift", "ShiftChosen", "PointsOf", "RestsOn", "ScoreMean", "Scores", "ScoresOne",
        "ScoreFair", "Reasons", "ReasonsOne", "ShowResults", "GoOnJudging", "NewRound", "JudgingNow", "JudgingOver", "JudgedNobody", "JudgedSome", "JudgedSomeOne", "JudgeWho", "JudgedBy", "JudgedByOne", "JudgeOut", "JudgeIn", "JudgeNotCounted",
    ];

    private static Dictionary<string, object> TalkOf(IStringLocalizer<UiTexts> texts)
    {
        var talk = PageData.Texts(texts, "Wall", s_talk);
        foreach (var (name, text) in PageData.Texts(texts, "Talk", "Judge", "JudgingChoose", "JudgingChosen", "JudgingAgree", "JudgingShown", "JudgingHeading", "JudgingHow", "HowMany", "LetChoose", "LetAgree", "EndJudging")) talk[name] = text;
        foreach (var (name, key) in new[] { ("answerCard", "Talk.AnswerMark"), ("talkAll", "Talk.All"), ("talkRest", "Talk.Rest"), ("talkGone", "Talk.Gone"), ("talkNone", "Talk.None") }) talk[name] = texts[key].Value;
        foreach (var (name, text) in AttachmentTexts.In(texts)) talk[name] = text;
        return talk;
    }

    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> For(IStringLocalizer<UiTexts> texts, params (string Name, string Key)[] more)
    {
        var all = WorkTexts.For(texts);
        foreach (var (name, text) in PageData.Texts(texts, "Board", "PageOf", "PictureAway", "Fresh", "FreshPage")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Marks", "SaidAloud", "Waits", "Down", "Printed", "Loose", "Key", "Mine", "Teacher", "Other", "By", "Empty")) all[name] = text;
        foreach (var (name, key) in new[] { ("besideMe", "Beside.IsHere"), ("besideSomebody", "Beside.SomebodyIsHere"), ("leads", "Beside.Leads"), ("leadsOne", "Beside.LeadsOne"), ("callHere", "Beside.CallHere"), ("sayWhy", "Beside.SayWhy"), ("sayWhyTo", "Beside.SayWhyTo"), ("callChosen", "Beside.CallChosen"), ("bringAway", "Bring.Away"), ("brought", "Bring.Brought"), ("broughtOne", "Bring.BroughtOne") }) all[name] = texts[key].Value;
        all["talk"] = TalkOf(texts);
        all["shown"] = ShownTexts.In(texts);
        all["answerFields"] = new Dictionary<string, string>(StringComparer.Ordinal) { ["field"] = texts["Board.AnswerField"], ["typeHere"] = texts["Board.TypeHere"] };
        all["networkAway"] = texts["Board.NetworkAway"].Value;
        all["roomLeft"] = texts["Board.RoomLeft"].Value;
        all["nobodyNamed"] = texts["Board.NobodyNamed"].Value;
        all["kinds"] = ShownTexts.Kinds(texts);
        all["figures"] = Enum.GetNames<Figure>().ToDictionary(f => f, f => texts[$"Figure.{f}"].Value, StringComparer.Ordinal);
        all["stamps"] = Stamps.All.ToDictionary(s => s.Name, s => texts[$"Stamp.{s.Name}"].Value, StringComparer.Ordinal);
        all["importFaults"] = s_importFaults.ToDictionary(f => f, f => texts[$"Import.Fault.{f}"].Value, StringComparer.Ordinal);
        all["figureTools"] = s_figureTools.ToDictionary(f => f, f => texts[$"FigureTool.{f}"].Value, StringComparer.Ordinal);
        foreach (var (name, key) in more) all[name] = texts[key].Value;
        return all;
    }
}
