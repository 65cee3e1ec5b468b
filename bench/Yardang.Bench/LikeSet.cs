namespace Yardang.Bench;

/// <summary>A question that was asked, and how somebody else asks the same.</summary>
/// <param name="Asked">What stands on the wall.</param>
/// <param name="Again">The same again: with something before it or the thing first, another ending of the thing, a slip of the pen or a word less.</param>
/// <param name="Otherwise">The same in other words, of which one or two are the same or begin alike; hurried, too.</param>
internal sealed record LikePair(string Asked, string Again, string Otherwise);

/// <summary>
/// A labelled set of questions, made for this bench, as a question box of a school has them after years: 24 things that one can want to know in English and 12 in Spanish, each said in
/// three ways, of some 600 things that are met in school. Of each of 10,000 pairs one way was asked before. What is typed is either the same again (in every second one something stands before
/// it, in every third the thing comes first, in every third the thing has another ending), or one of the two other ways. In both, every second one has a slip of the pen (two letters changed
/// places, one left out or doubled) and every third a word less that is not the thing itself; none has capitals or punctuation.
/// </summary>
internal static class LikeSet
{
    public const int Count = 10_000;

    private const string Things = """
        anchor antelope aqueduct arch armadillo asteroid atom avalanche axle badger bagpipe balloon bamboo barnacle barometer basalt battery beam beaver beehive bell beetle bicycle birch bison
        blizzard boiler bone brick bridge bronze buffalo buoy butterfly cable cactus calendar camel camera canal candle canoe carbon castle caterpillar cave cedar cello chalk chameleon cheese
        chimney clarinet clay cliff clock cloud clover cobra coconut comet compass concrete copper coral cork cormorant cotton crab crane crater cricket crocodile crystal cuckoo current cyclone dam
        dandelion desert diamond dinosaur dolphin dome donkey dragonfly drum dune dynamo eagle earthquake earthworm echo eclipse eel elephant elevator elm engine eruption estuary falcon feather fern
        ferret fiddle fjord flamingo flint flood flute fog forest fossil fountain fox frog fungus furnace galaxy garlic gazelle gear geyser ginger giraffe girder glacier glass glider gnat goat goose
        gorilla granite grasshopper gravity gull hailstone hammer hamster harbour harp hawk hedgehog helicopter helium heron hinge honey hornet horse hurricane hydrant iceberg iguana ink insect iron
        island ivy jackal jaguar jellyfish jungle kangaroo kayak keel kettle keystone kite kiwi koala ladder lagoon lantern lava leopard lever lichen lighthouse lightning limestone lizard llama
        lobster locust loom lung lynx magnet magpie mammoth maple marble marsh meadow mercury meteor microscope mill mirror mole monsoon moon mosquito moss moth motor mountain mushroom nettle
        nightingale oak oasis octopus olive orchid osprey ostrich otter owl oxygen oyster paddle palm panther parachute parrot peacock pearl pelican pendulum penguin pepper pier pigeon piston
        plankton planet plough plum polecat pollen poppy porcupine potato prism propeller pulley puma pump pyramid python quarry quartz rabbit radar rail rainbow raven reef reindeer rhubarb river
        robin rocket rope rubber rudder salamander salmon sand sapphire satellite saturn sawmill scorpion seahorse seal seaweed shadow shark shell silk siphon skeleton skunk sloth snail snowflake
        sparrow spider sponge spruce squid squirrel stalactite starfish steam steel stork submarine sugar sunflower swallow swamp swan telescope termite thermometer thistle thunder tide tiger
        tornado tortoise tractor trumpet truss tulip tundra tunnel turbine turtle vinegar violin viper volcano vulture walnut walrus wasp waterfall weasel whale whirlpool willow windmill wolf
        woodpecker yeast zebra
        """;

    private const string Cosas = """
        abeja abeto acantilado aceite acero águila ajedrez alambre alga algodón almeja ancla anguila antena araña arcilla ardilla arena armadillo arpa arrecife arroz asteroide atleta avalancha
        avestruz azufre ballena bambú barómetro barro bisonte bosque brújula búho buitre burro caballo cable cactus calamar camaleón camello campana canal cangrejo caracol carbón castillo castor
        catarata cebolla cebra cedro cemento ceniza ciclón ciempiés ciervo cigüeña cisne cobre cocodrilo cohete colibrí cometa conejo coral corcho cráter cristal cuerda cueva delfín desierto
        diamante dinosaurio dragón dromedario duna eclipse eco elefante embalse erizo erupción escarabajo escorpión esponja espejo esqueleto estuario faro flamenco flauta foca fósil fuente galaxia
        gallina ganso garza gato géiser girasol glaciar golondrina gorila gorrión granito granizo grillo grúa halcón hélice helio hierro hiedra hiena hipopótamo hormiga hongo huracán iceberg imán
        isla jabalí jirafa koala ladrillo lagarto laguna lagartija lana langosta lava león leopardo libélula liebre lince linterna lluvia lobo loro luciérnaga luna madera mamut manatí manzana
        mapache mariposa mármol medusa membrillo metal meteorito microscopio miel molino mono montaña morsa mosca mosquito motor murciélago musgo naranja nido niebla nieve nogal nube oasis ola olivo
        orquídea oso ostra oveja oxígeno pájaro palanca paloma pantano pantera papel paracaídas pavo péndulo percebe perro petirrojo pez piano piedra pingüino piraña planeta plátano pluma polea
        polen pólvora pozo prisma pulga pulpo puma queso rana ratón rayo reloj río roble robot rueda sal salamandra salmón sapo satélite sauce seda selva serpiente sombra submarino tambor tarántula
        tejón telescopio termita termómetro terremoto tiburón tigre topo tormenta tornado tortuga tractor trigo trompeta trucha tulipán túnel turbina vaca vela viento vinagre violín víbora viruela
        volcán yegua zorro
        """;

    private static readonly string[][] s_english =
    [
        ["How old can a {0} get?", "What age does a {0} reach, how old is it?", "Is there a very old {0}?"],
        ["What is a {0} made of?", "Which stuff makes a {0}?", "Of what is it made, the {0}?"],
        ["How heavy is a {0}?", "What is the weight of a {0}, is it heavy?", "Why is the {0} so heavy?"],
        ["How big is the biggest {0}?", "What size is the {0}, big or small?", "Could a {0} be bigger than a house?"],
        ["Who discovered the {0}?", "When was the first {0} discovered?", "How do people discover a {0}?"],
        ["Is a {0} dangerous?", "Why is the {0} so dangerous?", "When does a {0} get dangerous for people?"],
        ["How fast is a {0}?", "Can a {0} be faster than a car?", "What makes a {0} fast?"],
        ["What happens to a {0} in winter?", "Does the {0} change when winter comes?", "Where is a {0} in winter?"],
        ["Why has the {0} got this colour?", "What colour is a {0}?", "Can the {0} have other colours?"],
        ["What is a {0} used for?", "Who uses a {0}?", "How do we use the {0}?"],
        ["Does a {0} make a sound?", "What sounds come from a {0}?", "How does it sound, a {0}?"],
        ["How does a {0} move?", "What makes the {0} move?", "Is a {0} always moving?"],
        ["Can a {0} break?", "What breaks a {0}?", "How is it repaired when the {0} is broken?"],
        ["Where does the word {0} come from?", "Is {0} an old word?", "Why do we have the word {0} for it?"],
        ["What does a {0} do under water?", "Can a {0} be under water?", "How long is the {0} under water?"],
        ["How hot does a {0} get?", "Is a {0} hot or cold?", "What if a {0} gets too hot?"],
        ["Is there a {0} in space?", "What would a {0} do in space?", "Could we take the {0} to space?"],
        ["How many kinds of {0} are there?", "Which kind of {0} is that?", "Are there kinds of {0} that nobody knows?"],
        ["Can you eat a {0}?", "What eats a {0}?", "Has anybody eaten a {0}?"],
        ["What does a {0} look like inside?", "Is something inside a {0}?", "Who has looked inside the {0}?"],
        ["Where is the nearest {0}?", "How near is a {0} to our school?", "Is there a {0} near us?"],
        ["Why does a {0} smell?", "What smell has the {0}?", "Can a {0} smell something?"],
        ["How is a {0} born or begun?", "How does the {0} begin?", "When did the {0} begin?"],
        ["What would we do without the {0}?", "Could people live without a {0}?", "Is a world without any {0} possible?"],
    ];

    private static readonly string[][] s_spanish =
    [
        ["¿De qué está hecho: {0}?", "¿Con qué se hace: {0}?", "¿Cómo está hecho por dentro: {0}?"],
        ["¿Es peligroso: {0}?", "¿Cuándo es un peligro: {0}?", "¿Por qué es tan peligroso: {0}?"],
        ["¿Cuánto pesa: {0}?", "¿Qué peso tiene: {0}?", "¿Pesa más que un coche: {0}?"],
        ["¿De qué color es: {0}?", "¿Por qué tiene ese color: {0}?", "¿Puede cambiar de color: {0}?"],
        ["¿Dónde vive o está: {0}?", "¿Está o vive cerca de aquí: {0}?", "¿Se puede vivir sin: {0}?"],
        ["¿Quién descubrió: {0}?", "¿Cuándo se descubrió: {0}?", "¿Cómo lo descubrieron: {0}?"],
        ["¿Para qué sirve: {0}?", "¿Sirve para algo: {0}?", "¿A quién le sirve: {0}?"],
        ["¿Hace ruido: {0}?", "¿Qué ruido hace: {0}?", "¿Por qué hace tanto ruido: {0}?"],
        ["¿Cómo se mueve: {0}?", "¿Qué mueve: {0}?", "¿Se mueve solo: {0}?"],
        ["¿Se puede comer: {0}?", "¿Quién come: {0}?", "¿A qué sabe cuando se come: {0}?"],
        ["¿Qué pasa en invierno con: {0}?", "¿Cambia en el invierno: {0}?", "¿Dónde está en invierno: {0}?"],
        ["¿Cuántos tipos hay de: {0}?", "¿Qué tipo es este: {0}?", "¿Hay tipos raros de: {0}?"],
    ];

    private static readonly string[] s_before = ["i want to know", "does anybody know", "please", "my question is", "can somebody tell me"];

    private static readonly string[] s_antes = ["quiero saber", "alguien sabe", "por favor", "mi pregunta es", "quién me dice"];

    /// <summary>The pairs, in no order.</summary>
    public static IReadOnlyList<LikePair> Make(int seed)
    {
        var random = new Random(seed);
        var all = new List<LikePair>();
        foreach (var (ways, things, before) in new[] { (s_english, Things, s_before), (s_spanish, Cosas, s_antes) })
        {
            foreach (var thing in things.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries).Distinct(StringComparer.Ordinal))
            {
                foreach (var way in ways)
                {
                    var asked = random.Next(way.Length);
                    var other = (asked + 1 + random.Next(way.Length - 1)) % way.Length;
                    all.Add(new(In(way[asked], thing), Again(way[asked], thing, before, random), Hurried(In(way[other], thing), thing, random)));
                }
            }
        }

        return [.. all.OrderBy(_ => random.Next()).Take(Count)];
    }

    private static string In(string way, string thing) => string.Format(System.Globalization.CultureInfo.InvariantCulture, way, thing);

    private static string Again(string way, string thing, string[] before, Random random)
    {
        var called = random.Next(3) == 0 ? $"{thing}s" : thing;
        var text = random.Next(3) == 0 ? $"{called} {In(way, "")}" : In(way, called);
        if (random.Next(2) == 0) text = $"{before[random.Next(before.Length)]} {text}";
        return Hurried(text, called, random);
    }

    // As a child types it.
    private static string Hurried(string text, string thing, Random random)
    {
        var words = new string([.. text.ToLowerInvariant().Where(c => char.IsLetterOrDigit(c) || c == ' ')]).Split(' ', StringSplitOptions.RemoveEmptyEntries).ToList();
        var missing = random.Next(words.Count);
        if (random.Next(3) == 0 && !string.Equals(words[missing], thing, StringComparison.Ordinal)) words.RemoveAt(missing);
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
