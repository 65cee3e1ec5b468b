using System.Diagnostics;
using System.Globalization;
using System.Text;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;

namespace Yardang.Bench;

/// <summary>The word screen: what it takes for bad without reason, what it catches of what is disguised, and how long it takes.</summary>
internal static class ScreenLoad
{
    private const int Disguises = 20_000;
    private const int Letters = 10_000;

    private static readonly (string Language, string Path)[] Dictionaries = [("en", "/usr/share/dict/american-english"), ("es", "/usr/share/dict/spanish")];

    // What no word of the lists could be told from, were it written so.
    private static readonly (string Letter, string[] As)[] Signs =
    [
        ("a", ["4", "@", "а", "ά", "𝒂", "ⓐ", "ａ", "à", "ā"]), ("b", ["8", "Ь", "𝔟", "ｂ", "ḃ"]), ("c", ["(", "с", "ç", "¢", "ⅽ", "ċ"]), ("d", ["ԁ", "ď", "𝐝", "ｄ"]),
        ("e", ["3", "е", "é", "ê", "ё", "𝖊", "€"]), ("f", ["ƒ", "ｆ", "𝑓"]), ("g", ["9", "6", "ɡ", "ğ", "𝓰"]), ("h", ["һ", "ｈ", "ĥ", "н"]), ("i", ["1", "!", "і", "í", "ï", "ı", "|"]),
        ("k", ["κ", "к", "ķ", "𝗄"]), ("l", ["1", "|", "ⅼ", "ł", "ｌ"]), ("m", ["ｍ", "м", "𝓶"]), ("n", ["ո", "ń", "п", "𝚗"]), ("o", ["0", "о", "ο", "ö", "ø", "σ"]), ("p", ["р", "ρ", "ｐ"]),
        ("r", ["г", "ŕ", "ʀ", "𝐫"]), ("s", ["5", "$", "ѕ", "š", "ş", "§"]), ("t", ["7", "+", "т", "τ", "ţ"]), ("u", ["υ", "ü", "ս", "ù", "v"]), ("w", ["ω", "ш", "ŵ"]), ("y", ["у", "ý", "γ"]), ("z", ["ž", "2", "ｚ"]),
    ];

    public static void Run()
    {
        foreach (var forYoung in (bool[])[false, true]) FalseAlarms(forYoung);
        InSentences();
        Disguised();
        Speed();
    }

    // Where words stand beside one another, a bad one could be read over the gap: in words by chance.
    private static void InSentences()
    {
        var screen = new WordScreen(WordScreening.Usual with { ForYoung = true });
        var chance = new Chance(11);
        foreach (var (language, path) in Dictionaries.Where(d => File.Exists(d.Path)))
        {
            string[] words = [.. File.ReadLines(path).Where(w => w.Length < 8 && screen.Look(w).IsEmpty)];
            var text = string.Join(' ', Enumerable.Range(0, 200_000).Select(_ => words[chance.Next(words.Length)]));
            var found = screen.Look(text);
            Verdict.Say($"false alarms over the gaps of 200,000 short words by chance, {language}", 100.0 * found.Length / 200_000, 0.05, "%");
            Console.WriteLine($"  {string.Join(", ", found.Take(40).Select(f => text.Substring(f.Start, f.Length)))}");
        }
    }

    private static IEnumerable<string> Listed(string language, bool forYoung)
    {
        using var reader = new StreamReader(typeof(WordScreen).Assembly.GetManifestResourceStream($"bad-words.{language}.txt")!);
        while (reader.ReadLine() is { } line)
        {
            if (line is "[mild]" && !forYoung) yield break;
            if (line.Length > 0 && line[0] is not ('#' or '[')) yield return line;
        }
    }

    private static void FalseAlarms(bool forYoung)
    {
        var screen = new WordScreen(WordScreening.Usual with { ForYoung = forYoung });
        var setting = forYoung ? "young classes" : "usual";
        foreach (var (language, path) in Dictionaries)
        {
            if (!File.Exists(path))
            {
                Console.WriteLine($"{path} is not here: install Debian's wamerican and wspanish.");
                continue;
            }

            var words = File.ReadAllLines(path);
            var listed = Dictionaries.SelectMany(d => Listed(d.Language, forYoung)).ToArray();
            var found = words.Where(w => !screen.Look(w).IsEmpty).ToArray();

            // A word of the list, and its forms, are found with reason; so are words that are made of one that counts within others.
            var wrong = found.Where(w => !IsListed(w, listed)).ToArray();
            Verdict.Say($"false alarms, {language} dictionary of {words.Length}, {setting}", 100.0 * wrong.Length / words.Length, 0.05, "%");
            Console.WriteLine($"  found {found.Length}; without reason {wrong.Length}: {string.Join(' ', wrong)}");
        }
    }

    private static bool IsListed(string word, string[] listed)
    {
        var plain = new string([.. word.ToLowerInvariant().Normalize(NormalizationForm.FormD).Where(c => char.IsLetter(c) || c == '\u0303')]).Normalize(NormalizationForm.FormC);
        return listed.Any(l => l[0] == '*' ? plain.Contains(l.Trim('*'), StringComparison.Ordinal) : plain.StartsWith(l, StringComparison.Ordinal) && plain.Length - l.Length <= 4);
    }

    private static void Disguised()
    {
        var chance = new Chance(2_026);
        var screen = new WordScreen(WordScreening.Usual);
        string[] words = [.. Dictionaries.SelectMany(d => Listed(d.Language, forYoung: false)).Select(l => l.Trim('*')).Where(l => !l.Contains(' ', StringComparison.Ordinal) && l.Length >= 3)];
        (string Name, Func<string, Chance, string> Of)[] rules =
        [
            ("spaced", (w, _) => string.Join(' ', w.ToCharArray())), ("signs between", (w, c) => string.Join(Pick(c, ".", "-", "_", "*", " . ", "🔥", "/"), w.ToCharArray())),
            ("one gap", (w, c) => Split(w, c, Pick(c, " ", ".", "-", "  "))), ("repeated", (w, c) => string.Concat(w.Select(l => new string(l, 1 + c.Next(4))))),
            ("look-alikes", LooksAlike), ("accents", (w, c) => string.Concat(w.Select(l => $"{l}{Pick(c, "\u0300", "\u0301", "\u0308", "\u0323", "")}"))),
            ("zero width", (w, c) => string.Concat(w.Select(l => $"{l}{Pick(c, "\u200b", "\u200d", "\u2060", "\u00ad", "")}"))), ("right to left", (w, _) => $"\u202e{new string([.. w.Reverse()])}\u202c"),
            ("capitals", (w, c) => string.Concat(w.Select(l => c.Next(2) == 0 ? l : char.ToUpperInvariant(l)))), ("two fields", (w, c) => Split(w, c, "\n")), ("look-alikes, repeated", (w, c) => LooksAlike(string.Concat(w.Select(l => new string(l, 1 + c.Next(3)))), c)),
            ("look-alikes, spaced", (w, c) => string.Join(' ', w.Select(l => LooksAlike(l.ToString(), c)))),
        ];
        var (caught, all) = (0, 0);
        foreach (var (name, of) in rules)
        {
            var missed = new List<string>();
            var many = Disguises / rules.Length;
            for (var i = 0; i < many; i++)
            {
                var word = of(words[chance.Next(words.Length)], chance);
                var around = chance.Next(3) switch { 0 => $"You are {word} today", 1 => $"{word}!", _ => word };
                if (screen.Look(around.Split('\n')).IsEmpty) missed.Add(word);
            }

            caught += many - missed.Count;
            all += many;
            Console.WriteLine($"  {name}: {100.0 * (many - missed.Count) / many:0.0} %; missed {string.Join(", ", missed.Distinct().Take(12))}");
        }

        Verdict.SayAtLeast("disguised words that are caught", 100.0 * caught / all, 95, "%");
    }

    private static string Split(string word, Chance chance, string with)
    {
        var at = 1 + chance.Next(word.Length - 1);
        return word[..at] + with + word[at..];
    }

    private static string LooksAlike(string word, Chance chance) => string.Concat(word.Select((l, i) =>
        Array.Find(Signs, s => s.Letter[0] == l) is { As: { } signs } && (chance.Next(2) == 0) ? signs[chance.Next(signs.Length)] : l.ToString()));

    private static string Pick(Chance chance, params string[] of) => of[chance.Next(of.Length)];

    private static void Speed()
    {
        var screen = new WordScreen(WordScreening.Usual with { ForYoung = true, Details = true });
        var random = new Random(7);
        var sentences = string.Join(' ', Enumerable.Range(0, Letters / 10).Select(_ => Sentences.Any(random)))[..Letters];
        (string Name, string Text)[] texts = [("sentences", sentences), ("one letter", new string('s', Letters)), ("stars", string.Concat(Enumerable.Repeat("s*h* ", Letters / 5))), ("look-alikes", string.Concat(Enumerable.Repeat("1l!i", Letters / 4))), ("spelled out", string.Concat(Enumerable.Repeat("a s s h ", Letters / 8)))];
        foreach (var (name, text) in texts)
        {
            for (var i = 0; i < 200; i++) screen.Look(text);
            var times = Enumerable.Range(0, 20).Select(_ =>
            {
                var from = Stopwatch.GetTimestamp();
                screen.Look(text);
                return Stopwatch.GetElapsedTime(from).TotalMilliseconds;
            }).Order().ToArray();
            Verdict.Say($"{Letters} letters of {name}, median", times[10], 2, "ms");
        }
    }
}
