namespace Yardang.Bench;

/// <summary>
/// A labelled set of questions: what was asked, and how somebody else asks the same. Made for this bench from 36 things that one can want to know, each said in three
/// ways, about 286 bridges (22 kinds at 13 places): 24 in English, 12 in Spanish. Of each of 10,000 pairs one way is what was asked before; the same in another way is what
/// is typed, and one word in two of these has a slip of the pen (two letters changed places, one left out or doubled), in one in three a word is missing, and none has capitals
/// or punctuation. Two ways to say a thing have a word of its own in common, or its beginning: what is said in altogether other words is not found by words.
/// </summary>
internal static class LikeSet
{
    public const int Count = 10_000;

    private static readonly string[] s_kinds =
    [
        "rope bridge", "stone bridge", "footbridge", "railway bridge", "drawbridge", "covered bridge", "cable bridge", "arch bridge", "truss", "swing bridge", "plank bridge",
        "aqueduct", "viaduct", "floating bridge", "bamboo bridge", "brick bridge", "glass bridge", "steel bridge", "wooden bridge", "concrete bridge", "bridge for animals", "bicycle bridge",
    ];

    private static readonly string[] s_places = ["at the mill", "over the brook", "near school", "in the gorge", "by the harbour", "behind the station", "in the park", "over the motorway", "at the old ford", "in the village", "below the dam", "on the island", "at the market"];

    private static readonly string[] s_tipos =
    [
        "puente de cuerda", "puente de piedra", "puente peatonal", "puente del tren", "puente levadizo", "puente cubierto", "puente de cables", "puente de arco", "puente de celosía", "puente giratorio", "puente de tablas",
        "acueducto", "viaducto", "puente flotante", "puente de bambú", "puente de ladrillo", "puente de cristal", "puente de acero", "puente de madera", "puente de hormigón", "puente para animales", "puente de bicicletas",
    ];

    private static readonly string[] s_sitios = ["del molino", "del arroyo", "de la escuela", "del barranco", "del puerto", "de la estación", "del parque", "de la autopista", "del vado", "del pueblo", "de la presa", "de la isla", "del mercado"];

    private static readonly string[][] s_english =
    [
        ["How old is the {0}?", "What age is the {0}, is it old?", "Is the {0} very old?"], ["Who built the {0}?", "Which builders built the {0}?", "Do we know who was building the {0}?"], ["How much weight can the {0} carry?", "What weight does the {0} carry at most?", "Which weights can be carried over the {0}?"],
        ["How long is the {0}?", "What is the length of the {0}, is it long?", "Is the {0} longer than others?"], ["What does the {0} cost?", "How much did the {0} cost?", "What were the costs of the {0}?"], ["Why does the {0} not fall down?", "What keeps the {0} from falling?", "Could the {0} fall?"],
        ["Can wind make the {0} swing?", "Does the {0} swing in strong wind?", "What happens to the {0} when it is windy?"], ["How thick are the beams of the {0}?", "What thickness do beams of the {0} need?", "Must beams be so thick on the {0}?"], ["How do they repair the {0}?", "Who repairs the {0}?", "When is the {0} repaired?"],
        ["Is the {0} safe for children?", "How safe is the {0}?", "Who says that the {0} is safe?"], ["How often is the {0} inspected?", "Who inspects the {0}?", "What do inspectors look at on the {0}?"], ["Why is the {0} painted?", "What paint is on the {0}?", "Who paints the {0}?"],
        ["How many people stand on the {0} at once?", "How many people may cross the {0}?", "Is there a number of people for the {0}?"], ["What happens to the {0} in an earthquake?", "Would an earthquake break the {0}?", "Are earthquakes bad for the {0}?"], ["How deep are the foundations of the {0}?", "What are the foundations of the {0} made of?", "Has the {0} got a foundation?"],
        ["Why has the {0} got a gap in the deck?", "What is the gap in the {0} for?", "Are there gaps in every {0}?"], ["Does rust hurt the {0}?", "What can be done when the {0} rusts?", "Is the {0} getting rusty?"], ["How high is the {0} above the water?", "What height has the {0}, is it high?", "Why is the {0} so high?"],
        ["Which animals live under the {0}?", "Are there animals in the walls of the {0}?", "What do animals do at the {0}?"], ["Can lorries drive over the {0}?", "How heavy may a lorry on the {0} be?", "Why are lorries not allowed on the {0}?"], ["How was the {0} tested?", "What test was done before the {0} opened?", "Do they test the {0} again?"],
        ["Why is there a railing on the {0}?", "How high must the railing of the {0} be?", "Who climbs over railings of the {0}?"], ["Could a flood take the {0} away?", "What does a flood do to the {0}?", "Has the {0} been flooded?"], ["What would happen if one cable of the {0} broke?", "How many cables has the {0}?", "Are the cables of the {0} of wire?"],
    ];

    private static readonly string[][] s_spanish =
    [
        ["¿Cuántos años tiene el {0}?", "¿De qué año es el {0}?", "¿Hace muchos años que está el {0}?"], ["¿Quién construyó el {0}?", "¿Cómo se construyó el {0}?", "¿Cuándo construyeron el {0}?"], ["¿Cuánto peso aguanta el {0}?", "¿Qué peso puede aguantar el {0}?", "¿El {0} aguanta mucho peso?"],
        ["¿Por qué no se cae el {0}?", "¿Se puede caer el {0}?", "¿Qué hace que el {0} no caiga?"], ["¿Cuánto costó el {0}?", "¿Qué coste tiene el {0}?", "¿Fue costoso hacer el {0}?"], ["¿El viento mueve el {0}?", "¿Qué pasa en el {0} cuando hay viento?", "¿Puede el viento romper el {0}?"],
        ["¿Es seguro el {0}?", "¿Quién dice que el {0} es seguro?", "¿Cómo de seguro es el {0} para los niños?"], ["¿De qué material es el {0}?", "¿Qué materiales lleva el {0}?", "¿Por qué eligieron ese material para el {0}?"], ["¿Quién repara el {0}?", "¿Cada cuánto se repara el {0}?", "¿Fue reparado ya el {0}?"],
        ["¿Qué pasa con el {0} en un terremoto?", "¿Resiste un terremoto el {0}?", "¿Los terremotos rompen el {0}?"], ["¿Hay animales bajo el {0}?", "¿Qué animales viven en el {0}?", "¿Pasan animales por el {0}?"], ["¿Qué profundidad tienen los cimientos del {0}?", "¿De qué son los cimientos del {0}?", "¿Tiene cimientos el {0}?"],
    ];

    /// <summary>What was asked before, and what is typed for the same.</summary>
    public static IReadOnlyList<(string Asked, string Typed)> Make(int seed)
    {
        var random = new Random(seed);
        var all = new List<(string, string)>();
        foreach (var (ways, kinds, places) in new[] { (s_english, s_kinds, s_places), (s_spanish, s_tipos, s_sitios) })
        {
            foreach (var way in ways)
            {
                foreach (var kind in kinds)
                {
                    foreach (var place in places)
                    {
                        var asked = random.Next(way.Length);
                        var typed = (asked + 1 + random.Next(way.Length - 1)) % way.Length;
                        all.Add((In(way[asked], $"{kind} {place}"), Hurried(In(way[typed], $"{kind} {place}"), random)));
                    }
                }
            }
        }

        return [.. all.OrderBy(_ => random.Next()).Take(Count)];
    }

    private static string In(string way, string thing) => string.Format(System.Globalization.CultureInfo.InvariantCulture, way, thing);

    // As a child types it.
    private static string Hurried(string text, Random random)
    {
        var words = new string([.. text.ToLowerInvariant().Where(c => char.IsLetterOrDigit(c) || c == ' ')]).Split(' ').ToList();
        if (random.Next(3) == 0) words.RemoveAt(random.Next(words.Count));
        if (random.Next(2) != 0) return string.Join(' ', words);
        var at = random.Next(words.Count);
        words[at] = Slip(words[at], random);
        return string.Join(' ', words);
    }

    private static string Slip(string word, Random random)
    {
        if (word.Length < 3) return word;
        var at = random.Next(word.Length - 1);
        return random.Next(3) switch
        {
            0 => $"{word[..at]}{word[at + 1]}{word[at]}{word[(at + 2)..]}",
            1 => word.Remove(at, 1),
            _ => word.Insert(at, word[at..(at + 1)]),
        };
    }
}
