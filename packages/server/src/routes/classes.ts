import {
  AddStudents,
  ChangeClass,
  ChangeStudent,
  ImportClasses,
  ImportedClasses,
  JoinByLink,
  LANGUAGE_CODES,
  MergeStudent,
  SaveClass,
  SetPractice,
  SetWork,
  ShareClass,
} from '@otter/api'
import { Router, type Request } from 'express'
import { z } from 'zod'
import {
  changeClass,
  createClass,
  deleteClass,
  leaveClass,
  readClass,
  readClasses,
  shareClass,
} from '../services/classes.ts'
import { classesToWrite, compareClasses, importClasses } from '../services/classImport.ts'
import { addStudents, changeStudent, mergeStudent, moveStudent, removeStudent } from '../services/students.ts'
import { joinByLink, makeLink } from '../services/studentLinks.ts'
import { setPractice } from '../services/practice.ts'
import { readStudentKnowledge } from '../services/studentKnowledge.ts'
import { readStudentWork } from '../services/studentWork.ts'
import { readStudentData, studentCsv } from '../services/studentData.ts'
import { readOverview, setWork } from '../services/work.ts'
import { sheetWord } from '../texts.ts'
import { asTeacher, asTeacherReading, idOf, teacherOf, whileWaiting, type Context } from './context.ts'

/** Language of a file's headings, where it is asked for. */
const Language = z.enum(LANGUAGE_CODES).catch('en')
const Into = z.object({ classId: z.uuid() })

/** Classes of teachers, their students, and work that is set for them. */
export default function classRoutes(context: Context): Router {
  const router = Router()
  const { limits } = context
  const ofStudent = (request: Request): { classId: string; studentId: string } => ({
    classId: idOf(request),
    studentId: idOf(request, 'studentId'),
  })
  router.get('/classes', async (request, response) => {
    response.json(await asTeacher(context, request, readClasses))
  })
  router.post('/classes', async (request, response) => {
    const saved = SaveClass.parse(request.body)
    response.status(201).json(await asTeacher(context, request, (scope) => createClass(scope, saved)))
  })
  router.post('/classes/compared', async (request, response) => {
    const imported = ImportedClasses.parse(request.body)
    response.json(await asTeacherReading(context, request, (scope) => compareClasses(scope, imported)))
  })
  router.post('/classes/imported', async (request, response) => {
    const imported = ImportClasses.parse(request.body)
    response.json({ classes: await asTeacher(context, request, (scope) => importClasses(scope, imported)) })
  })
  router.get('/classes/one-roster.zip', async (request, response) => {
    const language = Language.parse(request.query.language)
    const classes = await asTeacherReading(context, request, classesToWrite)
    const archive = await context.workers.roster(
      { school: sheetWord(language, 'school'), classes },
      teacherOf(request),
      whileWaiting(response),
    )
    response
      .type('application/zip')
      .set('Content-Disposition', 'attachment; filename="classes.zip"')
      .send(Buffer.from(archive))
  })
  router.get('/classes/:id', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readClass(scope, idOf(request))))
  })
  router.patch('/classes/:id', async (request, response) => {
    const change = ChangeClass.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => changeClass(scope, idOf(request), change)))
  })
  router.delete('/classes/:id', async (request, response) => {
    await asTeacher(context, request, (scope) => deleteClass(scope, idOf(request)))
    response.status(204).end()
  })
  router.get('/classes/:id/overview', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readOverview(scope, idOf(request))))
  })
  router.post('/classes/:id/teachers', async (request, response) => {
    const { email } = ShareClass.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => shareClass(scope, idOf(request), email)))
  })
  router.delete('/classes/:id/teachers/:teacherId', async (request, response) => {
    await asTeacher(context, request, (scope) => leaveClass(scope, idOf(request), idOf(request, 'teacherId')))
    response.status(204).end()
  })
  router.post('/classes/:id/students', async (request, response) => {
    const added = AddStudents.parse(request.body)
    response.status(201).json(await asTeacher(context, request, (scope) => addStudents(scope, idOf(request), added)))
  })
  router.patch('/classes/:id/students/:studentId', async (request, response) => {
    const change = ChangeStudent.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => changeStudent(scope, ofStudent(request), change)))
  })
  router.post('/classes/:id/students/:studentId/move', async (request, response) => {
    const { classId } = Into.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => moveStudent(scope, ofStudent(request), classId)))
  })
  router.put('/classes/:id/students/:studentId/merged', async (request, response) => {
    const { into } = MergeStudent.parse(request.body)
    response.json(await asTeacher(context, request, (scope) => mergeStudent(scope, ofStudent(request), into)))
  })
  router.post('/classes/:id/students/:studentId/link', async (request, response) => {
    response.status(201).json(await asTeacher(context, request, (scope) => makeLink(scope, ofStudent(request))))
  })
  router.put('/classes/:id/students/:studentId/linked', async (request, response) => {
    const { code } = JoinByLink.parse(request.body)
    await limits.codes.take(`student ${teacherOf(request)}`)
    response.json(await asTeacher(context, request, (scope) => joinByLink(scope, ofStudent(request), code)))
  })
  router.get('/classes/:id/students/:studentId/work/:offerId', async (request, response) => {
    const offerId = idOf(request, 'offerId')
    response.json(
      await asTeacherReading(context, request, (scope) => readStudentWork(scope, ofStudent(request), offerId)),
    )
  })
  router.get('/classes/:id/students/:studentId/knowledge', async (request, response) => {
    response.json(await asTeacherReading(context, request, (scope) => readStudentKnowledge(scope, ofStudent(request))))
  })
  router.post('/classes/:id/students/:studentId/practice', async (request, response) => {
    const wanted = SetPractice.parse(request.body)
    response.status(201).json(await setPractice(context, teacherOf(request), ofStudent(request), wanted))
  })
  router.get('/classes/:id/students/:studentId/data', async (request, response) => {
    const { classId, studentId } = ofStudent(request)
    response.json(await asTeacherReading(context, request, (scope) => readStudentData(scope, classId, studentId)))
  })
  router.get('/classes/:id/students/:studentId/data.csv', async (request, response) => {
    const { classId, studentId } = ofStudent(request)
    const data = await asTeacherReading(context, request, (scope) => readStudentData(scope, classId, studentId))
    response
      .type('text/csv; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="student.csv"')
      .send(studentCsv(data, Language.parse(request.query.language)))
  })
  router.delete('/classes/:id/students/:studentId', async (request, response) => {
    await asTeacher(context, request, (scope) => removeStudent(scope, ofStudent(request)))
    response.status(204).end()
  })
  router.post('/lists/:id/work', async (request, response) => {
    const wanted = SetWork.parse(request.body)
    response.status(201).json(await setWork(context, teacherOf(request), idOf(request), wanted, whileWaiting(response)))
  })
  return router
}
