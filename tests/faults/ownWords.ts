/** A comment as a teacher might write it by hand: the student, the box, the text. */
export type OwnWords = readonly [student: string, box: string, text: string]

/**
 * Fifty such comments on students of the demo class, true to their levels and without a fault. The students and all
 * they do are invented.
 */
export const ownWords: readonly OwnWords[] = [
  [
    'Caoimhe',
    'general',
    `What a term! Caoimhe has grown into a real leader in our class. She welcomes every change and has never once complained. When the minibus broke down on the way to the weir, it was she who started the singing. I’d love to see her take a small risk now and then: put a hand up before the answer is perfect.`,
  ],
  [
    'Finn',
    'general',
    `Finn has had a mixed term, and he would be the first to say so. Getting started is the hardest part for him; once the first line is on the page, he usually keeps going. His tray is a small adventure. We have agreed on two things: he packs his bag with me on Fridays, and I remind him only once. He was very proud of his part in the river walk, and so was I.`,
  ],
  [
    'Will',
    'reading',
    `Will tells me that books are “not his thing”, and yet he listened to every chapter of our class novel with his chin on his hands. Reading by himself is slow and tiring for him at present. We work on it four times a week in a small group, and he is brave about it. Please go on reading to him at home; it matters more than anything he could do alone.`,
  ],
  [
    'Rosa',
    'mathematics',
    `Rosa’s number work has been slow to come. She can count on in tens and she knows most of her doubles, but larger numbers still trip her up. She likes to have counters in her hand, and they help. In the unit on measuring she measured half the school and was delighted with herself. Over the holidays, a pack of cards would do her more good than a workbook.`,
  ],
  [
    'Tamsin',
    'science',
    `Tamsin brings me things in jars. This term it was a caddis fly, a snail’s egg and, once, a very cross beetle. In lessons Tamsin asks the questions that the rest of us were too shy to ask. The write-up of the pond survey was clear and honest about what went wrong. A little more care with units would make a good scientist better.`,
  ],
  [
    'Kit',
    'general',
    `Kit makes people laugh, usually at the right moment. They are thoughtful with the younger children in our reading pairs and have a rare patience with them. Kit sometimes hides how much they know; I would like to hear their voice earlier in a discussion. Thank you for your kind note in November.`,
  ],
  [
    'Hyun-woo',
    'mathematics',
    `If I had to pick one lesson of the term, it would be the one in which Hyun-woo explained to all of us why you cannot divide by nothing. He thinks clearly and he explains kindly. His homework was never late. What he could still practise is writing his method down, since at present most of it stays in his head.`,
  ],
  [
    'Niamh',
    'writing',
    `Niamh’s story about the lighthouse keeper’s cat was read out in assembly, and quite right too. She has an ear for a sentence. She takes advice well, although I notice that she does not always agree with it, which is as it should be. Her spelling is nearly faultless. I’d like her to try writing something funny next.`,
  ],
  [
    'Omar',
    'science',
    `Omar is at his happiest with a magnifying glass. He worked steadily on the food web and was careful with the equipment. His conclusions tend to be one line long; when I ask him, he can say much more. Next term I’ll ask him for three sentences each time, and I think he’ll find that they are already in his head.`,
  ],
  [
    'Elif',
    'art',
    `Elif drew the weir from four sides before she decided on one. Her ink work has a confidence that surprised even her. She helped to hang the display and argued well for putting her friend’s picture in the middle.`,
  ],
  [
    'Leilani',
    'general',
    `Leilani is a quiet presence, and we notice when she isn’t there. She looks after her things and quite often after ours. She joined the chess table in October and has not missed a Tuesday since. It would be good to see her ask for help sooner: she tends to wait until the lesson is over.`,
  ],
  [
    'Søren',
    'reading',
    `Søren reads in fits and starts. In September he could hardly be parted from his dinosaur book, in November he could hardly be got to open one. When he does read aloud he stumbles over longer words and then, bless him, goes back to fix every one of them. He understands more than he can yet say. A comic counts as reading, by the way.`,
  ],
  [
    'Grace',
    'mathematics',
    `Grace is accurate and quick with large numbers. She checks her work without being told to, and she was a great help to her group when we built the bridge. Measuring is fine, if a bit rushed. I’d be glad if she slowed down and read each question twice.`,
  ],
  [
    'Ismaël',
    'writing',
    `Ismaël’s instructions for building a raft were so clear that we built it. It floated. He plans before he writes and he is learning to cut what he does not need. Commas are still a bit of a lottery. He reads his work to a partner now, which has made a real difference.`,
  ],
  [
    'Amara',
    'music',
    `Amara carried the second part alone when two of her group were ill, and she did it without a wobble. She listens to the others while she plays, and that is the hardest thing of all. I hope she’ll go on with the recorder next year.`,
  ],
  [
    'Jonas',
    'physical-education',
    `Jonas gives everything he has and then lies on the floor. He has become a much steadier team player: in the autumn he shouted at his team, now he shouts for them. His throwing has come on well. We’ll work on catching next.`,
  ],
  [
    'Priya',
    'science',
    `Priya’s notebook is a pleasure to read. She writes down what she sees and not what she thinks I want to see. Her fair test on soil was the best planned in the group. She could now ask herself what would happen if she were wrong.`,
  ],
  [
    'Bea',
    'general',
    `Bea has found it hard to share this term, and we have talked about it together several times. She is generous with her time when she feels safe: ask the new children, who adore her. She keeps her word. On days when the timetable changes she needs a little warning, and then she copes well. I’m fond of her, and I believe that she knows it.`,
  ],
  [
    'River',
    'general',
    `River came back from the half-term break with a plan to learn every flag in the world, and by December they had. They need somebody beside them to begin a piece of writing, and they say so now, which is new. With other children they are careful and sometimes a little too careful. I would love them to try the drama group.`,
  ],
  [
    'Umi',
    'general',
    `Umi never makes a fuss about the good things she does, so I will. She stayed behind on her own to help me with the costumes. She settled a quarrel at lunch without my hearing of it. Her work is always in on time. If I could wish for one thing, it would be that she lets herself be wrong in public.`,
  ],
  [
    'Zoë',
    'art',
    `Zoë works fast and bold. Her collage of the river used every scrap in the box and hung together beautifully. She talks about other people’s pictures with real tact. A sketch before the glue would save her some tears.`,
  ],
  [
    'Dash',
    'general',
    `Dash by name and by nature: he was first out to play and, this term, quite often first to finish his work as well. He has started to listen to the end of an instruction. His desk is another matter. He apologised to a classmate in front of everybody in October, and it took some courage.`,
  ],
  [
    'Mateusz',
    'mathematics',
    `Mateusz has worked hard at his tables and it shows. He follows what others say and adds to it in his own words. He still reverses the digits in larger numbers when he is tired. His drawing of the school to scale is up in the hall, and he may be proud of it.`,
  ],
  [
    'Finn',
    'science',
    `Finn takes part with great cheer and is always willing to hold the end of the tape measure. He can tell you where a frog lives and why. Writing results down is a struggle, so he records them on the tablet first and copies one line. That works well for him.`,
  ],
  [
    'Will',
    'science',
    `In science Will is in his element as long as nobody asks him to write. He noticed that the ice melted faster on metal before I had even set the timer. He needs a partner to keep the record. We’ll try drawings with labels next term.`,
  ],
  [
    'Caoimhe',
    'mathematics',
    `Caoimhe solves in her head what I need paper for. She enjoyed the puzzle corner and wrote two puzzles of her own for it, one of which beat the whole staff room. She’s patient with those who take longer. I’ll keep looking for problems that take her more than five minutes.`,
  ],
  [
    'Tamsin',
    'general',
    `Tamsin arrives early, says good morning to the fish and gets on. It has been lovely to see Tamsin choose to work with different people this term. Tamsin’s talk on wind turbines was the best prepared of them all. My one wish: that Tamsin would leave some of the helping to others.`,
  ],
  [
    'Kit',
    'writing',
    `Kit’s poem about the night bus made three adults cry. They choose words with great care, and they’re not afraid to throw a page away. They could trust their first line more often. I hope they will keep a notebook over the summer.`,
  ],
  [
    'Elif',
    'science',
    `Elif asked in September what soil is made of, and in December she told us. She kept a worm jar alive for ten weeks. Her diagrams are neat and true. She might now try to explain her results to somebody who was not there.`,
  ],
  [
    'Rosa',
    'general',
    `Rosa is kind. It is the first thing that everybody says about her, and it is so. Mornings are hard for her: she forgets what she was sent for and gets upset about it. A picture list on her desk has helped, and she ticks it off herself. She was a wonderful innkeeper in the play.`,
  ],
  [
    'Finn',
    'reading',
    `Finn will tell you himself that mornings are not his best time. Will he get to the end of a page? These days, yes, more often than not. May we ask you to go on with the reading card? His grandfather’s visit, with the bees, was the high point of the term for everybody, and Finn answered most of the questions.`,
  ],
  [
    'Hyun-woo',
    'general',
    `Hyun-woo and his friends built a raft; they tested it on the pond and they sank it twice. He was the one who kept notes. What he learnt about patience, he says, is that there is never enough of it. He has plenty.`,
  ],
  [
    'Kit',
    'physical-education',
    `Kit was our map reader on the river walk. They got us there, and the others followed them gladly. When two of the boys had a row, Kit asked each of them for his side of it and waited until he had finished. That is rare in an eleven-year-old. They might now let others carry the map.`,
  ],
  [
    'Umi',
    'science',
    `Umi asks good questions and then goes home and answers them. Her mother tells me that the fridge is full of labelled pots. She and her partner were the only pair to get the bulb to light with a lemon. It would be a grace note if she let her partner speak as well.`,
  ],
  [
    'Grace',
    'general',
    `By the grace of good friends, and with some courage of her own, Grace went down the long slide at the pool. She was shaking and she was laughing. In class she is quick to help and slow to boast. She finds it hard to begin alone, and we are practising that together every day.`,
  ],
  [
    'Will',
    'general',
    `Will’s will is strong, and so is his sense of fair play. He finds it hard to let a thing go. We have a quiet corner for that now, and he uses it well. He works best on his own and has shown real stamina this term: forty minutes on one drawing, without looking up.`,
  ],
  [
    'River',
    'reading',
    `River read to us from a book about the river Nile and did every voice. They like books with maps in them. Their reading aloud is fluent; now they could tell us more often what they think about what they have read. A library card would be a good present for them.`,
  ],
  [
    'Omar',
    'general',
    `Omar has had a good autumn. He laughs a lot and he makes room for others on the bench. Handing things in is still a matter of luck, but he no longer pretends that he has done it. I value that. We’ll have a look at his folder together each Thursday.`,
  ],
  [
    'Elif',
    'writing',
    `Elif writes the way she talks: fast, funny and with her hands. She hardly ever needs a second draft, which is a pity, because her second drafts are wonderful. Her piece on how locks work was used by the class below us. Could she be persuaded to write a play?`,
  ],
  [
    'Rosa',
    'reading',
    `Rosa understands what she hears better than what she reads. Her retelling of the wolf story lasted eleven minutes and left nothing out. When she looks for a fact on the page she tends to guess, and we are teaching her to put her finger on it. She reads aloud with great feeling.`,
  ],
  [
    'Jonas',
    'general',
    `Jonas is honest to a fault and good company. He is always on time, he’s never without a pencil for somebody else, and he has looked after the class plants since September. Nothing that he owns is ever where he thinks it is. A box by the front door would help.`,
  ],
  [
    'Niamh',
    'mathematics',
    `There isn’t much in this year’s mathematics that Niamh can’t do. She is at her best when a problem has no obvious way in. This term she taught herself to convert between bases, for fun. I’ve asked her to keep her mistakes instead of rubbing them out, since they are always interesting.`,
  ],
  [
    'Dash',
    'writing',
    `Dash has plenty to say and is in a hurry to say it. His sentences join up with “and then, and then”, and sometimes a whole adventure passes without a full stop. He enjoyed giving instructions for a card trick and he took a good deal of trouble over them. We’ll work on paragraphs.`,
  ],
  [
    'Amara',
    'general',
    `Amara is steady, cheerful and hard to rattle. She kept the register of lost gloves and returned all but three. She’s a fair referee at break. I have noticed that she seldom chooses the question that nobody knows the answer to; I’d like to tempt her.`,
  ],
  [
    'Søren',
    'mathematics',
    `Søren works neatly and shows each step. He got full marks for his explanation of why the method for long division works, and he gave it standing on a chair. He is less sure with measures: a litre and a metre still change places now and then. Cooking at home is just the thing.`,
  ],
  [
    'Leilani',
    'reading',
    `Leilani has begun to read for herself and not for me. It is slow work. She hides it well, but long words worry her; we cut them up with scissors, which she likes. She now reads with a friend on Tuesdays. Please listen to her for five minutes a day and leave it at that.`,
  ],
  [
    'Ismaël',
    'general',
    `Ismaël forgets things. He forgets his bag, his lunch and once his shoes, but he has never forgotten a kindness. His questions are the best in the class. I would like him to write his jobs on his hand until he no longer needs to.`,
  ],
  [
    'Mateusz',
    'general',
    `Mateusz has settled in so well that it is hard to believe he came only in August. He brings his own ideas to a group and takes home other people’s. He likes a timetable. When it’s time to start, he often waits for a nod from me, and I have begun to look the other way.`,
  ],
  [
    'Tamsin',
    'physical-education',
    `Tamsin has a good eye for a ball and a better one for a player who has been left out. The rules are safe with Tamsin. Tamsin might try the goal next term: those reflexes are wasted at the back.`,
  ],
  [
    'Priya',
    'art',
    `Priya took the river’s line for a walk over four sheets of paper. She knows what she wants and she waits for it to dry. Her remarks on the artists we met were short and exact. She might try working large.`,
  ],
]
