import { z } from 'zod'
import {
  AskReset,
  ChangeEmail,
  ChangePassword,
  DeleteAccount,
  KeepingReply,
  MailReply,
  ResetPassword,
} from '../account.ts'
import { ChangeTeacher, SessionReply, SignIn, SignUp, TeacherReply } from '../session.ts'
import { anyone, operator, teacher, type Route } from './route.ts'

/** Routes of signing in, and of accounts. */
export const ACCOUNT_ROUTES: readonly Route[] = [
  anyone({ method: 'get', path: '/session', summary: 'Who is signed in', reply: SessionReply }),
  anyone({ method: 'post', path: '/session', summary: 'Signs in', body: SignIn, reply: TeacherReply }),
  anyone({
    method: 'post',
    path: '/session/sample',
    summary: 'Signs in as the teacher of the sample data',
    reply: TeacherReply,
  }),
  teacher({
    method: 'patch',
    path: '/session',
    summary: 'Changes what a teacher has chosen for all screens',
    body: ChangeTeacher,
    status: 204,
  }),
  anyone({ method: 'delete', path: '/session', summary: 'Signs out', status: 204 }),
  anyone({
    method: 'post',
    path: '/teachers',
    summary: 'Makes an account and signs in',
    body: SignUp,
    status: 201,
    reply: TeacherReply,
  }),

  teacher({
    method: 'put',
    path: '/account/email',
    summary: 'Gives an account another e-mail address',
    body: ChangeEmail,
    status: 204,
  }),
  teacher({
    method: 'put',
    path: '/account/password',
    summary: 'Gives an account another password, and ends its other sessions',
    body: ChangePassword,
    status: 204,
  }),
  teacher({
    method: 'delete',
    path: '/account/sessions',
    summary: 'Signs a teacher out on all other devices',
    status: 204,
  }),
  teacher({ method: 'get', path: '/account/keeping', summary: 'For how long results are kept', reply: KeepingReply }),
  teacher({
    method: 'get',
    path: '/account/archive',
    summary: 'All that a teacher has, as a zip archive',
    reply: 'application/zip',
  }),
  teacher({
    method: 'delete',
    path: '/account',
    summary: 'Deletes an account with all that is in it',
    body: DeleteAccount,
    status: 204,
  }),
  anyone({
    method: 'post',
    path: '/password-resets',
    summary: 'Asks for a mail by which a forgotten password is replaced; tells nobody whether there is such an account',
    body: AskReset,
    status: 204,
  }),
  anyone({
    method: 'put',
    path: '/password-resets',
    summary: 'Replaces a forgotten password, and signs in',
    body: ResetPassword,
    reply: TeacherReply,
  }),
  operator({
    method: 'get',
    path: '/operator/mails',
    summary: 'Mails that were written, for whoever runs the server',
    reply: z.array(MailReply),
  }),
]
