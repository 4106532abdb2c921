import { usualSchoolMarkRules } from '../core/marks/markRules'

export const term = { name: 'Spring term', year: '2027', starts: '2027-01-11', ends: '2027-03-26' }
export const days = { commentsDue: '2027-03-12', locks: '2027-03-19' }
export const school = {
  name: 'Willow School',
  place: 'Willow',
  markRules: usualSchoolMarkRules,
  possessives: 'apostrophe only',
}
export const classRoom = { name: '5 Willow', teacher: 'Ada Moss' }
export const before = { ...term, ...days, name: 'Autumn term' }

/** A class of two in files, small enough to be read by eye. */
export const files: Record<string, string> = {
  'class.json': JSON.stringify({ school, classRoom, term: { ...term, ...days }, termBefore: before }),
  'layout.json': JSON.stringify({ key: 'l', title: 'Report', paper: 'A4', marks: 'level', parts: ['subjects'] }),
  'scales.csv': `scale,kind,scale name,symbol,name,family sentence,tier,lowest percent
m,mark,Marks,A,Good,Went well.,top,"50,5"
m,Mark,Marks,B,Fair,Went on.,growing,0
s,skill,Levels,2,Sure,Sure of it.,TOP,
s,skill,Levels,1,New,New to it.,starting,`,
  'subjects.csv': `key,name,in a sentence,teacher,mark scale,skill scale
sums,Sums,,Tom Rush,m,s
art,Art and craft,art,,m,s`,
  'skills.csv': `id,subject,strand,statement,family words,in a sentence,teacher only
n1,sums,Number,Adds,Adds numbers,adding numbers,
n2,SUMS,Number,Screens,,,Yes`,
  'habits.csv': 'key,name,family words,scale\ncare,Taking care,Takes care,s',
  'students.csv': `number,given name,used name,family name,pronouns,grade level
7,Amaya,Maya,Reed,she/her,5
8,Sam,,Stone,they,5`,
  'categories.csv': 'subject,name,weight\nsums,Quizzes,60\nsums,Work,40',
  'attendance.csv': 'number,days open,absences,lates\n7,40,2,1',
  'marks.csv': 'number,subject,mark,reason\n7,sums,71.5,She did more\n8,sums,incomplete,',
  'marks-before.csv': 'number,subject,mark\n7,sums,60',
  'levels.csv': 'number,skill,level\n7,n1,2\n8,N1,na',
  'levels-before.csv': 'number,skill,level\n7,n1,1',
  'habit-scores.csv': 'number,habit,score\n7,care,1',
  'habit-scores-before.csv': 'number,habit,score\n8,care,2',
  'notes.csv': `number,day,about,text,may be told
7,2027-02-03,n1,Counted the beams.,yes
8,2027-02-04,,Was tired.,`,
  'boxes.csv': `key,name,subject,limit,plan,tone
general,General,,300,habit care,warm
sums,Sums,sums,200,outcome Number,`,
  'phrasebook.csv': `id,subject,part,about,levels,text,tone,grades
p1,sums,outcome,Number,top,{Name} adds.,,`,
  'describing-words.csv': 'level,word\ntop,superb\ntop,fine\nsound,steady',
  'gradebook-sums.csv': `Number,Name,Quiz one /10,Sheet /20
Category,,Quizzes,work
Date,,2027-02-01,2027-02-08
7,Maya Reed,8,15
8,Sam Stone,6,missing`,
}

export const folderOf = (texts: Record<string, string>) =>
  new Map(Object.entries(texts).map(([name, text]) => [name, new TextEncoder().encode(text)]))
export const without = (...names: string[]) =>
  Object.fromEntries(Object.entries(files).filter(([name]) => !names.includes(name)))
