# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Portuguese.
        module Pt
          GAP = Language::GAP
          MONTHS = {
            "jan(?:eiro|\\.)?" => 1,
            "fev(?:ereiro|\\.)?" => 2,
            "mar(?:ço|\\.)?" => 3,
            "abr(?:il|\\.)?" => 4,
            "maio?" => 5,
            "jun(?:ho|\\.)?" => 6,
            "jul(?:ho|\\.)?" => 7,
            "ago(?:sto|\\.)?" => 8,
            "set(?:embro|\\.)?" => 9,
            "out(?:ubro|\\.)?" => 10,
            "nov(?:embro|\\.)?" => 11,
            "dez(?:embro|\\.)?" => 12
          }.freeze
          DAYS = {
            "segunda(?:-feira)?" => 1,
            "terça(?:-feira)?" => 2,
            "quarta(?:-feira)?" => 3,
            "quinta(?:-feira)?" => 4,
            "sexta(?:-feira)?" => 5,
            "sábado" => 6,
            "domingo" => 0
          }.freeze
          NUMBERS = {
            "uma?" => 1,
            "dois|duas" => 2,
            "três" => 3,
            "quatro" => 4,
            "cinco" => 5,
            "seis" => 6,
            "sete" => 7,
            "oito" => 8,
            "dez" => 10,
            "quinze" => 15
          }.freeze

          WORDS =
            Language.new(
              id: "pt",
              ended: /\btransferência\b#{GAP}{0,60}\b(?:recusada|cancelada|falhou)/ix,
              answers: {
                "wants" =>
                  /\b(?:por\ favor|solicitamos\ que|pode|poderia)\b#{GAP}{0,40}\b(?:
                    envie(?:-nos)?|enviar(?:-nos)?|
                    forneça|fornecer|anexe|confirme|confirmar|indique|indicar)\b|
                   \b(?:necessitamos|precisamos)\b/ix,
                "refused" =>
                  /\bnão\ (?:podemos|é\ possível|poderemos)\b|\b(?:recusad|rejeitad|negad)[oa]\b/ix,
                "done" =>
                  /\b(?:foi|foram)\ (?:
                    desbloquead|removid|enviad|alterad|desativad|liberad)[oa]s?\b/ix
              },
              passed:
                /(?:identidade|verificação|documentos?|documentação)#{GAP}{0,60}(?:verificad[oa]s?|
                  confirmad[oa]s?|aceit[oae]s?|concluíd[oa]|aprovad[oa]s?|com\ sucesso)/ix,
              marker:
                /\b(?:os?|as?|do|da|de|que|para|por|uma?|foi|seu|sua|não|com|em|está|você|
                  domínio)\b/ix,
              kinds: {
                "landed" => [
                  [
                    5,
                    /\btransferência\b#{GAP}{0,60}(?:concluída|finalizada|terminada|completa|
                      com\ sucesso)/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\b(?:foi\ transferido|já\ está\ (?:conosco|connosco|registrado|registado)|
                      agora\ está|
                     deixou-nos|nos\ deixou)/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:por\ favor|deve|pedimos|precisa)\b#{GAP}{0,60}(?:aprov|confirm|
                      autori[zs]|aceit)\w*
                  #{GAP}{0,60}transferência/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /(?:aprove|confirme|autorize|aceite)\b#{GAP}{0,50}transferência|
                  transferência#{GAP}{0,80}sua\ (?:aprovação|autorização|confirmação)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /\b(?:sua\ identidade|documento\ de\ identidade|verificação\ de\ identidade|
                      passaporte)\b/ix,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:verifi|confirm|valid)\w*#{GAP}{0,50}(?:endereço|e-?mail|correio|contato|
                      contacto)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\bcódigo\ (?:de\ )?(?:autorização|transferência|auth|EPP|AuthInfo)|
                      \bauth-?(?:info|code)/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /\b(?:solicitação|pedido|solicitada|informados|notificação|
                     recebemos)\b#{GAP}{0,90}(?:transfer\w*)
                  #{GAP}{0,60}(?:outro|outra|saída)/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\btransferência\ de\ saída|\b(?:vai\ nos\ deixar|será\ transferido|
                      está\ saindo)\b/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\bse não (?:fizer|responder|recebermos)|\bsem resposta/i,
                    :silence_lets_it_go_ahead
                  ],
                  [
                    3,
                    /\b(?:recusar|cancelar|rejeitar|impedir|opor)\b/i,
                    :it_says_how_to_stop_a_transfer
                  ]
                ],
                "lock-notice" => [
                  [
                    5,
                    /\bbloqueio\b|\bdesbloque|\bbloquead[oa]\b|\btrava\b/i,
                    :a_lock_was_set_or_taken_off
                  ]
                ],
                "hold" => [
                  [14, /(?:domínio|nome)#{GAP}{0,60}(?:suspens|desativad)/ix, :the_name_is_on_hold]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:fatura|pagamento|cobrança|valor)#{GAP}{0,60}(?:não\ pag|vencid|falhou|
                      recusad|em\ atraso|pendente)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:fatura|recibo|pagamento|confirmação\ (?:do|de)\ pedido|nota\ fiscal)\b/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:valor|IVA|total)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:oferta|desconto|fique\ conosco|fique\ connosco|economize|poupe|cupom|
                               lamentamos\ que)\b/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve: /(?<!\p{L})(?:aprov\w*|aceit\w*|confirm\w*|autori[zs]\w*|liberar)/i,
              decline:
                /(?<!\p{L})(?:recus\w*|rejeit\w*|cancel\w*|manter|mantenha|parar|neg(?:ar|ue)\b|
                  impedir|opor\w*)/ix,
              refusal: /(?<!\p{L})não (?:(?-i:\p{L})+ ){0,2}(?:aprov|aceit|confirm|autori[zs])\w*/i,
              unhappened: {
                inside:
                  /\b(?:será|serão|não|poderá|pode|deve|falhou|em\ andamento|em\ curso|cancelada|
                    rejeitada|
                       em\ breve|pendente)\b/ix,
                opening:
                  /\A\W*(?:assim\ que|quando|logo\ que|se|depois|após|antes|para|uma\ vez)\b|
                    \b(?:assim\ que|
                        quando|se|após)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:assim que|quando|logo que|se|em \d)/i
              },
              wrote: "escreveu",
              earlier: "mensagem original|mensagem encaminhada|a sua mensagem|histórico",
              headers: %w[De Enviado Para Assunto Data Cc],
              footer: "este e-?mail",
              mailing: /cancelar (?:a |sua )?(?:inscrição|subscrição|assinatura)/i,
              of_codes:
                /\A\W{0,3}(?:foi\ |está\ )?(?:estado|enviad|solicitad|expir|válido|criad)/ix,
              halves: /\b(?:metade|(?:primeira|segunda)\s+parte|parte\s*[12])\b/i,
              no_codes: %w[
                abaixo
                anexo
                aprovado
                ativo
                bloqueado
                cancelada
                cancelado
                concluída
                concluído
                confirmado
                criado
                desbloqueado
                desconhecido
                disponível
                emitido
                enviada
                enviado
                expirada
                expirado
                falhado
                falhou
                gerado
                inativo
                inválido
                nenhum
                nenhuma
                não
                oculto
                pedido
                pendente
                processamento
                processando
                pronto
                recusada
                recusado
                rejeitado
                removido
                sim
                solicitada
                solicitado
                ver
                válida
                válido
              ],
              codes:
                "(?:código (?:de )?(?:autorização|transferência|auth|EPP|AuthInfo)|chave de " \
                  "transferência)",
              leads:
                "(?:até(?: o dia| ao dia| dia)?|antes d[eo](?: dia)?|o mais tardar|prazo(?: " \
                  "final)?|" \
                  "expira(?: em)?|termina(?: em)?)",
              within: "(?:no prazo de|dentro de|em(?: até)?|nos próximos|tem)",
              asides:
                /\b(?:pago|registrado|registado|renovado|válido|fatura|oferta|reservado|registro|
                  registo)\b/ix,
              acts:
                /(?:respond|resposta|aprov|confirm|aceit|recus|cancel|por\ favor|deve|tem\ |prazo|
                  link|solicita|
                   pedido|verifi|
                   autori|notícias|opor|precisa)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "horas?|h" => 3600,
                "dias?(?: corridos)?" => 86_400,
                "semanas?" => 604_800,
                "dias? úteis" => :business
              }
            )
        end
      end
    end
  end
end
