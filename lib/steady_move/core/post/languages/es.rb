# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Spanish.
        module Es
          GAP = Language::GAP
          MONTHS = {
            "ene(?:ro|\\.)?" => 1,
            "feb(?:rero|\\.)?" => 2,
            "mar(?:zo|\\.)?" => 3,
            "abr(?:il|\\.)?" => 4,
            "mayo" => 5,
            "jun(?:io|\\.)?" => 6,
            "jul(?:io|\\.)?" => 7,
            "ago(?:sto|\\.)?" => 8,
            "sep(?:tiembre|\\.)?|setiembre" => 9,
            "oct(?:ubre|\\.)?" => 10,
            "nov(?:iembre|\\.)?" => 11,
            "dic(?:iembre|\\.)?" => 12
          }.freeze
          DAYS = {
            "lunes" => 1,
            "martes" => 2,
            "miércoles" => 3,
            "jueves" => 4,
            "viernes" => 5,
            "sábado" => 6,
            "domingo" => 0
          }.freeze
          NUMBERS = {
            "una?" => 1,
            "dos" => 2,
            "tres" => 3,
            "cuatro" => 4,
            "cinco" => 5,
            "seis" => 6,
            "siete" => 7,
            "ocho" => 8,
            "diez" => 10,
            "quince" => 15
          }.freeze

          WORDS =
            Language.new(
              id: "es",
              ended: /\btransferencia\b#{GAP}{0,60}\b(?:rechazada|cancelada|fallado)/ix,
              answers: {
                "wants" =>
                  /\b(?:por\ favor|le\ rogamos|podría|puede)\b#{GAP}{0,40}\b(?:
                    envíe(?:nos)?|enviar(?:nos)?|
                    facilite|facilitar(?:nos)?|adjunte|confirme|confirmar|indique|
                    indicar(?:nos)?)\b|
                   \b(?:necesitamos|precisamos)\b/ix,
                "refused" =>
                  /\bno\ (?:podemos|es\ posible|podremos)\b|\b(?:rechazad[oa]|denegad[oa])\b/ix,
                "done" =>
                  /\b(?:ha|han)\ sido\ (?:desbloquead|retirad|enviad|modificad|desactivad|liberad|
                    realizad)[oa]s?\b|\bhemos\ (?:desbloqueado|retirado|enviado|modificado|
                    desactivado)\b/ix
              },
              passed:
                /(?:identidad|verificación|comprobación|documentos?|
                  documentación)#{GAP}{0,60}(?:verificad[oa]s?|
                  confirmad[oa]s?|aceptad[oa]s?|superad[oa]|completad[oa]|aprobad[oa]s?|
                  correctamente)/ix,
              marker: /\b(?:el|la|los|su|del|de|que|para|por|una?|ha|sido|usted|con|en|está)\b/i,
              kinds: {
                "landed" => [
                  [
                    5,
                    /\b(?:transferencia|traslado)\b#{GAP}{0,60}(?:completad[oa]|finalizad[oa]|
                      terminad[oa]|
                     concluid[oa]|
                  finalizó|con\ éxito)/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\b(?:ha\ sido\ (?:transferido|trasladado)|se\ ha\ transferido|
                      ya\ está\ (?:con\ nosotros|
                     registrado)|nos\ ha\ dejado)/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:por\ favor|debe|rogamos|necesitamos\ que)\b#{GAP}{0,60}(?:aprob|aprueb|
                      confirm|
                     autori[cz]|acept)\w*
                  #{GAP}{0,60}(?:transferencia|traslado)/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /(?:apruebe|confirme|autorice|acepte)#{GAP}{0,50}(?:transferencia|traslado)|
                  (?:transferencia|traslado)#{GAP}{0,80}su\ (?:aprobación|autorización|
                  confirmación)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /\b(?:su\ identidad|documento\ de\ identidad|verificación\ de\ identidad|
                      pasaporte|
                     prueba\ de\ identidad)\b/ix,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:verifi|confirm|valid)\w*#{GAP}{0,50}(?:dirección|correo|e-?mail|contacto)/i,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\bcódigo\ (?:de\ )?(?:autorización|transferencia|auth|EPP|AuthInfo|
                      autenticación)|
                     \bauth-?(?:info|code)/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /\b(?:solicitud|solicitado|pedido|petición|informado|notificación)\b#{GAP}{0,90}
                  (?:transfer\w*|traslad\w*)#{GAP}{0,60}(?:otro|otra|saliente)/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\btransferencia\ saliente|\b(?:va\ a\ dejarnos|será\ transferido|
                      nos\ deja)\b/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\bsi no (?:hace nada|responde|recibimos)|\bsin respuesta/i,
                    :silence_lets_it_go_ahead
                  ],
                  [
                    3,
                    /\b(?:rechazar|cancelar|detener|oponerse)\b/i,
                    :it_says_how_to_stop_a_transfer
                  ]
                ],
                "lock-notice" => [
                  [5, /\bbloqueo\b|\bdesbloque|\bbloquead[oa]\b/i, :a_lock_was_set_or_taken_off]
                ],
                "hold" => [
                  [
                    14,
                    /(?:dominio|nombre)#{GAP}{0,60}(?:suspendid|desactivad)/ix,
                    :the_name_is_on_hold
                  ]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:factura|pago|cargo|importe)#{GAP}{0,60}(?:impagad|vencid|fallid|rechazad|
                      pendiente|no\ se\ ha)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:factura|recibo|pago|confirmación\ (?:de(?:l)?\ )?pedido)\b/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:importe|IVA|total)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:oferta|descuento|quédese|ahorre|cupón|sentimos\ que\ se\ (?:vaya|
                      marche))\b/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve:
                /(?<!\p{L})(?:aprob\w*|aprueb\w*|acept\w*|confirm\w*|autori[cz]\w*|liber(?:ar|
                  e)\b)/ix,
              decline:
                /(?<!\p{L})(?:rechaz\w*|cancel\w*|conserv\w*|mant(?:en|ien)\w*|det(?:en|ien)\w*|
                  deneg\w*|
                      anul\w*|opon\w*)/ix,
              refusal:
                /(?<!\p{L})no (?:(?-i:\p{L})+ ){0,2}(?:aprob|aprueb|acept|confirm|autori[cz])\w*/i,
              unhappened: {
                inside:
                  /\b(?:será|serán|no|podrá|puede|debe|falló|fallado|pendiente|en\ curso|
                    cancelad[oa]|
                       rechazad[oa]|pronto)\b/ix,
                opening:
                  /\A\W*(?:una\ vez|cuando|en\ cuanto|si|después|antes|para|tras)\b|\b(?:una\ vez|
                    cuando|
                        en\ cuanto|si)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:una vez|cuando|en cuanto|si|en \d)/i
              },
              wrote: "escribió|ha escrito",
              earlier:
                "mensaje original|mensaje reenviado|su (?:mensaje|solicitud)|usted escribió|" \
                  "historial",
              headers: %w[De Enviado Para Asunto Fecha Cc],
              footer: "este (?:correo|mensaje)",
              mailing: /darse de baja|cancelar (?:la |su )?suscripci[óo]n/i,
              of_codes:
                /\A\W{0,3}(?:ha\ sido\ |está\ |es\ )?(?:estado|enviad|solicitad|caduc|válido|
                  cread)/ix,
              halves: /\b(?:mitad|(?:primera|segunda)\s+parte|parte\s*[12])\b/i,
              no_codes: %w[
                abajo
                activo
                adjunto
                aprobada
                aprobado
                bloqueado
                caducada
                caducado
                cancelada
                cancelado
                completada
                completado
                confirmado
                creado
                desbloqueado
                desconocido
                disponible
                eliminado
                emitido
                enviada
                enviado
                fallida
                fallido
                generado
                inactivo
                inválido
                listo
                ninguna
                ninguno
                no
                oculto
                pendiente
                procesando
                proceso
                rechazada
                rechazado
                solicitada
                solicitado
                sí
                vencida
                vencido
                ver
                válida
                válido
              ],
              codes:
                "(?:código (?:de )?(?:autorización|transferencia|auth|EPP|AuthInfo|" \
                  "autenticación)|" \
                  "clave de transferencia)",
              leads:
                "(?:hasta(?: el)?|antes del?|a más tardar(?: el)?|fecha límite|vence(?: " \
                  "el)?|caduca(?: el)?|" \
                  "termina(?: el)?)",
              within: "(?:en un plazo de|dentro de(?: los)?|en(?: los próximos)?|tiene|plazo de)",
              asides:
                /\b(?:pagado|registrado|renovado|válido|factura|oferta|reservado|registro)\b/i,
              acts:
                /(?:respond|respuesta|aprob|aprueb|confirm|acept|rechaz|cancel|por\ favor|debe|
                  tiene|plazo|límite|
                   enlace|
                   solicitud|verifi|valid|autori|noticias|opon)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "horas?|h" => 3600,
                "días?(?: naturales)?" => 86_400,
                "semanas?" => 604_800,
                "días? (?:hábiles|laborables)" => :business
              }
            )
        end
      end
    end
  end
end
